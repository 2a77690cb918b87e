// The project: a value. Copying one is cheap, since its parts are shared and never changed in
// place; the history is a list of projects.
#pragma once
#include <string>
#include <vector>

#include "runtime/document/basics.h"
#include "runtime/document/box.h"
#include "runtime/document/delivery.h"
#include "runtime/document/kind.h"
#include "runtime/document/machine.h"
#include "runtime/document/named.h"
#include "runtime/document/screen.h"
#include "runtime/document/text.h"

namespace bristle {

// A size that screens are shown at, in device px. Layout happens in px ÷ scale, so that a small
// display with scale 2/3 shows what a large one shows at 1.
struct Display {
  DisplayId id;
  std::string name;
  Px width = 1920, height = 1080;
  double scale = 1;  // 0.1–8
  Insets safe = {};  // no button should come nearer to the edges
  // What cannot be seen or touched: a notch, a camera; and the round of its corners.
  std::vector<Box> blocked = {};
  Px corner = 0;
  double perInch = 0;   // device px to an inch of it; 0: not known
  double distance = 0;  // from the eyes, mm; 0: not known
  Extras extra = {};
  bool operator==(const Display&) const = default;
  Px layoutWidth() const { return width / scale; }
  Px layoutHeight() const { return height / scale; }
  // In layout px.
  Box safeArea() const {
    return {safe.left / scale, safe.top / scale, (width - safe.left - safe.right) / scale,
            (height - safe.top - safe.bottom) / scale};
  }
};

// Flag: 0 or 1. Choice: which of the options, from 0.
enum class ValueSort : std::uint8_t { Number, Flag, Choice };

// What machines, conditions and actions may read and set. All of them are numbers.
struct ProjectValue {
  ValueId id;
  std::string name;
  double start = 0;
  ValueSort sort = ValueSort::Number;
  std::optional<double> least = {}, most = {};  // Number
  double step = 1;                              // Number: more than 0
  std::vector<std::string> options = {};        // Choice: what they are called, one at least
  Extras extra = {};
  bool operator==(const ProjectValue&) const = default;
};

// The nearest number that the value may be.
double within(const ProjectValue& value, double number);

// What a screen is shown at: all that layout and routes depend on beside the project itself. A
// display alone means the project's first language.
struct Showing {
  Display display;
  LanguageId language;
  // An empty language means the project’s first.
  Showing(Display on, LanguageId in = {}) : display(std::move(on)), language(std::move(in)) {}
};

// A group of items that is used like a kind: made once and placed many times. What is placed are
// items of the screen like all others: a container that says whose copy it is, and in it an item
// for each of the group's, which says which one that is (Item::origin). So layout, routes and
// sessions know nothing of groups. Edits keep copies alike (core/edit/in_step.h).
struct Group {
  GroupId id;
  std::string name;
  // What each copy has of its own: captions and names, what its buttons do, where its routes lead.
  bool ownCaptions = true, ownTargets = true, ownExits = true;
  // One container and all that is in it; of the screen nothing else counts.
  Screen holds;
  Extras extra;
};

// Screens in an order; bars keep in step with it.
struct ScreenList {
  ListId id;
  std::string name;
  std::vector<ScreenId> screens;
  Extras extra;
  bool operator==(const ScreenList&) const = default;
};

// What a key or controller button may do beside the directions, accept and cancel. Where a button
// of the screen on top answers to it, that one is pressed; elsewhere it does this.
struct Shortcut {
  ShortcutId id;
  std::string name;
  Actions actions;
  Extras extra = {};
  bool operator==(const Shortcut&) const = default;
};

struct Settings {
  bool pointerMovesFocus = true;  // "together"; false: "apart"
  Ms repeatDelay = 400, repeatInterval = 120;
  Px leastHit = 24;       // hit areas should be at least this wide and high (WCAG 2.2 §2.5.8)
  double leastHitMm = 0;  // … and this many mm, where a display says how dense it is; 0: not asked
  double leastText = 16;  // capitals of captions should be seen this high, minutes of arc, where a
                          // display says how far it is (ISO 9241-303); 0: not asked
  Px leastGap = 8;        // hit areas should lie at least so far from one another; 0: however near
  std::vector<std::string> rulesOff = {};  // the findings of which are not told, by name
  bool darkSet = false;                    // named values show their dark side
  Px gridWidth = 8, gridHeight = 8;        // of the canvas: what is dragged snaps to it
  // Files beside the project; empty: nothing is heard.
  std::string bumpSound = {}, openSound = {}, backSound = {};
  // Values that say how loud each is, from its least to its most; empty: as loud as it is.
  ValueId musicVolume = {}, cueVolume = {};
  PadSigns padSigns = PadSigns::Dots;
  Extras extra;
  bool operator==(const Settings&) const = default;
};

// A finding that somebody has looked at and lets be.
struct Accepted {
  std::string key;  // the finding's
  std::string reason;
  std::string on;  // the day, as ISO 8601 has it: 2026-12-01; empty: unknown
  Extras extra = {};
  bool operator==(const Accepted&) const = default;
};

inline constexpr int kFormatVersion = 2;

struct Project {
  std::string name;
  Settings settings;
  std::vector<Display> displays;
  std::vector<Language> languages;  // one at least; texts are written in the first
  std::vector<ProjectValue> values;
  Shared<NamedValues> named;  // colours, lengths, fonts… by name, in the order of the list
  Extras foreignTokens;       // what imported token files held beyond what we use
  std::vector<Shared<Machine>> machines;
  std::vector<Shared<Kind>> kinds;
  std::vector<Shared<Screen>> screens;
  std::vector<Shared<Group>> groups;
  std::vector<ScreenList> lists;
  std::vector<Accepted> accepted;
  std::vector<Shortcut> shortcuts;
  std::vector<Binding> bindings = standardBindings();
  std::vector<Delivery> deliveries;
  ScreenId first;           // where the menu opens
  std::int64_t lastId = 0;  // the highest number given out in an id
  Extras extra;
};

// Each null where there is none of that id. Valid as long as a project has the part.
const Machine* find(const Project& project, const MachineId& id);
const Kind* find(const Project& project, const KindId& id);
const Screen* find(const Project& project, const ScreenId& id);
const ProjectValue* find(const Project& project, const ValueId& id);
const Display* find(const Project& project, const DisplayId& id);
const Group* find(const Project& project, const GroupId& id);
const ScreenList* find(const Project& project, const ListId& id);
const Shortcut* find(const Project& project, const ShortcutId& id);
const Delivery* find(const Project& project, const DeliveryId& id);
// What a sign does on a screen; null: nothing. Without a screen: everywhere.
const Binding* bindingOf(const Project& project, const Screen* screen, const Sign& sign);
// The signs that do something there, of keys or of buttons, in the order in which they are bound.
std::vector<Sign> signsFor(const Project& project, const Screen* screen, Sign::Of of, Does does,
                           const ShortcutId& shortcut = {});
// The language of that id, else the first.
const Language& languageOf(const Project& project, const LanguageId& id);
// What is asked for; an empty id means the first. An error where there is no such display or
// language.
Result<Showing> showingOf(const Project& project, const DisplayId& display,
                          const LanguageId& language);
// As in text.h, in the project’s languages.
inline const std::string& wordsIn(const Project& project, const Text& text,
                                  const LanguageId& language) {
  return wordsIn(project.languages, text, language);
}

// Whether the item is of a kind that stands still: it looks like a button, and is none.
bool isStill(const Project& project, const Item& item);

// Null where there is none.
const NamedValue* find(const Project& project, const NamedId& id);
// The project’s named values, light or dark as its settings say. Lives as long as it.
inline Naming naming(const Project& project) {
  return {&*project.named, project.settings.darkSet};
}

// The part to change, copied first where shared; null when there is none.
Machine* edit(Project& project, const MachineId& id);
Kind* edit(Project& project, const KindId& id);
Screen* edit(Project& project, const ScreenId& id);
Group* edit(Project& project, const GroupId& id);
Item* edit(Screen& screen, const ItemId& id);

// An id that nothing in the project has: the prefix and the next number.
template <class AnyId>
AnyId freshId(Project& project, const char* prefix) {
  return AnyId{prefix + std::to_string(++project.lastId)};
}

// The highest number that any id ends in, of all that has one: parts and states, too. What comes
// from elsewhere with ids of its own raises lastId to this.
std::int64_t highestId(const Project& project);

// `wanted`, or `wanted 2`, `wanted 3`… where the name is taken already.
std::string freeName(const std::vector<std::string>& taken, const std::string& wanted);

// A new project: two displays and a language, nothing else.
Project emptyProject();

// Whether all is equal, by value. For tests and for "nothing changed in the end".
bool equal(const Project& a, const Project& b);

}  // namespace bristle
