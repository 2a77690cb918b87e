// What a person says of a direction: where it leads, and where that holds.
#pragma once
#include <array>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "runtime/document/basics.h"
#include "runtime/document/ids.h"
#include "runtime/document/value.h"

namespace bristle {

enum class Dir : std::uint8_t { Up, Down, Left, Right };
inline constexpr std::array kDirs{Dir::Up, Dir::Down, Dir::Left, Dir::Right};
// Up for down, left for right, and back.
constexpr Dir opposite(Dir dir) {
  return static_cast<Dir>(static_cast<int>(dir) ^ 1);
}
// “up”, as it stands in files.
std::string_view nameOf(Dir dir);
// Nothing for another word.
std::optional<Dir> parseDir(std::string_view name);

enum class RouteType : std::uint8_t { Solved, Pinned, Closed, Wrap };

// A button, by its path, or a cluster; one of the two.
struct RouteTarget {
  ItemPath item;
  ClusterId cluster;

  RouteTarget() = default;
  // To a button.
  RouteTarget(ItemPath path) : item(std::move(path)) {}
  // To a button of the screen itself.
  RouteTarget(ItemId id) : item(std::move(id)) {}
  // To a cluster.
  RouteTarget(ClusterId id) : cluster(std::move(id)) {}
  bool operator==(const RouteTarget&) const = default;
  explicit operator bool() const { return item || cluster; }
};

struct RouteRule {
  RouteType type = RouteType::Solved;
  RouteTarget target;  // Pinned: where to
  bool operator==(const RouteRule&) const = default;
};

// A rule that holds on one display, in one language, or on one display in one language only.
struct RouteException {
  DisplayId display;    // empty: on all
  LanguageId language;  // empty: in all
  Dir dir = Dir::Up;
  RouteRule rule;
  bool operator==(const RouteException&) const = default;
};

// How the looks of both buttons move when focus goes along a route.
struct RouteMotion {
  Ms duration = 240;  // 0–60,000
  Easing easing = {};
  bool operator==(const RouteMotion&) const = default;
};

// What a button's route in a direction has of its own, wherever it leads: the motion in the place
// of what the machines of both buttons say, the sound in the place of theirs. A direction that
// leads nowhere sounds, too.
struct RouteCarries {
  std::optional<RouteMotion> motion;  // none: as the machines say
  std::string sound;                  // a WAV or OGG file, beside the project; empty: as they say
  double volume = 1;                  // of it, 0–1; 1 where there is none
  bool operator==(const RouteCarries&) const = default;
};

// The rules of one button.
struct RouteRules {
  std::array<RouteRule, 4> everywhere;  // by Dir
  std::vector<RouteException> where;
  std::array<RouteCarries, 4> carries;  // by Dir; the same on all displays
  bool operator==(const RouteRules&) const = default;

  RouteRule& operator[](Dir dir) { return everywhere[static_cast<size_t>(dir)]; }
  const RouteRule& operator[](Dir dir) const { return everywhere[static_cast<size_t>(dir)]; }
  // The one that counts: of display and language, else of the display, else of the language, else
  // what holds everywhere.
  const RouteRule& on(const DisplayId& display, const LanguageId& language, Dir dir) const;
  // Calls `use(rule)` for each there is; rules may be changed.
  // Calls with every rule, those for everywhere first.
  template <class Use>
  void each(Use use) {
    for (RouteRule& rule : everywhere) use(rule);
    for (RouteException& exception : where) use(exception.rule);
  }
  template <class Use>
  void each(Use use) const {
    for (const RouteRule& rule : everywhere) use(rule);
    for (const RouteException& exception : where) use(exception.rule);
  }
};

// How focus comes into a cluster that a route leads to.
enum class Enter : std::uint8_t { First, Nearest, LastUsed, Chosen };

// How it leaves one: wherever a route leads; only where nothing of the cluster lies further that
// way; never by a direction, but by cancel or an action; or the cluster is one stop for what is
// outside, accept goes in and cancel comes out.
enum class Leave : std::uint8_t { Open, Ends, Sealed, SingleStop };

// How it is seen that a cluster has focus: a ring around its buttons. Of a single stop until focus
// goes into it, of others while focus is in them.
struct FocusRing {
  Px width = 0;    // 0–40; 0: there is none
  Px outset = 8;   // away from the buttons, 0–200
  Px radius = 12;  // of its corners, 0–2000
  Colour colour{0xf2, 0xc1, 0x4e, 255};
  bool operator==(const FocusRing&) const = default;
};

// Buttons that belong together for focus. One that holds all of another's is around it.
struct Cluster {
  ClusterId id;
  std::string name;
  std::vector<ItemPath> items;  // buttons, and containers with all buttons in them
  Enter enter = Enter::Nearest;
  ItemPath chosen;  // Chosen: the one; it need not be the first
  Extras extra;
  Leave leave = Leave::Open;
  // By Dir, where focus goes that leaves it that way: as laid out (Solved), pinned or closed; not
  // of a sealed one. A button's own rule counts more.
  std::array<RouteRule, 4> exits = {};
  FocusRing ring = {};
  bool operator==(const Cluster&) const = default;
};

}  // namespace bristle
