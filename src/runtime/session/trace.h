// What happened in a session, entry by entry.
#pragma once
#include <string>
#include <vector>

#include "runtime/document/project.h"

namespace bristle {

enum class TraceType : std::uint8_t {
  Focus,
  State,
  Activate,
  Open,
  OnTop,
  Back,
  Bump,
  Message,
  Value,
  Sound,
  Modality,
  Scroll,
  FlyOut,
  Cluster,
  Shortcut,
  Quit,
  Runaway,
  Shown,
  Broken,
  Link,
  Music,
  Unlock,
  Idle,
  Speak,
};

// `item` is the button it is about (Focus: where it goes; empty: nowhere), `from` the button or
// the state before, `to` the state after, `how` a word or two on why. Sound: `how` is its file,
// `number` its volume, 0–1. State: `number` is the transition's place in the machine. Scroll:
// `item` is the container, `number` how far it is moved now, px. FlyOut: `item` is the container,
// `how` what it does. Cluster: a single stop; `how` is its id, `item` the button that has focus,
// `number` 1 where focus goes into it, 0 where it comes out. Shortcut: `how` is its id. Shown:
// `number` 1 where the item is there now, 0 where it is not. Broken: an action of the item refers
// to what is not there. Link: `how` is the address. Music: `how` is the file that is heard from now
// on, `number` its volume; empty: none. Unlock: the item became available for the first time. Idle:
// nobody has done anything on the screen for a while. Speak: `how` is the language's id.
struct TraceEntry {
  Ms at = 0;
  TraceType type = TraceType::Focus;
  ItemId item = {}, fromItem = {};
  ScreenId screen = {};
  StateId fromState = {}, toState = {};
  ValueId value = {};
  double number = 0;
  std::string how = {};
  bool operator==(const TraceEntry&) const = default;
};

// "focus slot-4 → slot-5 (right, solved)": by ids, so that renaming never breaks a take.
std::string toLine(const TraceEntry& entry);
// The same with the names that people gave.
std::string toLine(const TraceEntry& entry, const Project& project);

}  // namespace bristle
