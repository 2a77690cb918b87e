// A screen: what is placed on it, and where, and where focus starts and goes.
#pragma once
#include <cstdint>
#include <optional>
#include <string>
#include <variant>
#include <vector>

#include "runtime/document/action.h"
#include "runtime/document/basics.h"
#include "runtime/document/binding.h"
#include "runtime/document/ids.h"
#include "runtime/document/kind.h"
#include "runtime/document/route_rule.h"
#include "runtime/document/text.h"
#include "runtime/document/value.h"

namespace bristle {

// What an item keeps its distance to, on one axis. None: nobody has said; it stays where it was
// drawn, like Start, but is not mirrored. `Both` stretches. Baseline: only up and down.
enum class Pin : std::uint8_t { None, Start, Centre, End, Both, Fraction, Baseline };

// On one axis: Start: `offset` from the near edge. Centre: the item's centre lies `offset` beyond
// the centre. End: `offset` before the far edge. Both: `offset` and `farOffset` from the edges.
// Fraction: its centre lies `offset` beyond that fraction of the way. Baseline: the baseline of its
// caption (else its lower edge) lies `offset` from the near edge.
// All in px of the display after its scale. A size of 0 is the item's natural size.
struct AxisPlace {
  Pin pin = Pin::None;
  Px offset = 0;
  Px size = 0;
  Px farOffset = 0;
  // In a container: its share of the room that the others leave, whatever its size; 0: none, up to
  // 1000.
  double rest = 0;
  // Bounds of its size, whatever it follows from; 0: none. Where they contradict, `least` counts.
  Px least = 0, most = 0;
  double fraction = 0.5;  // 0–1, for the pin of that name
  // Its size as a fraction of what it is pinned in, 0–1, where that holds it freely; 0: not so.
  double share = 0;
  bool operator==(const AxisPlace&) const = default;
};

// By which side a screen grows from the display it was drawn on to another: by none, by the ratio
// of widths, of heights, or by the smaller or the greater of the two.
enum class Scaling : std::uint8_t { None, Width, Height, Smaller, Greater };

// `safe` and `scaling` are for what stands on the screen itself; what is in it goes along.
struct Place {
  AxisPlace x, y;
  bool safe = false;                    // pinned to the safe area, not to the display
  std::optional<Scaling> scaling = {};  // none: as its screen
  bool operator==(const Place&) const = default;
};

// Formulas over values, which must hold (runtime/machine/condition.h).
struct Conditions {
  std::string enabled;  // empty: always
  std::string
      current;  // empty: while the button opens the screen, or shows the panel, that is shown
  bool operator==(const Conditions&) const = default;
};

// What presses a button from wherever focus is, beside a pointer on it.
struct Answers {
  bool cancel = false;  // cancel presses it, instead of going back
  ShortcutId shortcut;  // that shortcut presses it, on the screen that it stands on; empty: none
  bool operator==(const Answers&) const = default;
  bool any() const { return cancel || shortcut; }
};

// What a button's icon shows instead: the sign that does something on the device that was used
// last, a key or a controller's button. Nothing where none is bound.
struct Prompt {
  Does does = Does::Accept;
  ShortcutId shortcut = {};  // Shortcut: which one
  bool operator==(const Prompt&) const = default;
};

struct ButtonData {
  KindId kind;
  Text caption;
  Text accessibleName;  // empty: the caption serves
  Text description;     // what a screen reader may add
  OwnLook own;          // what this button changes of its kind's look
  bool disabled = false;
  Conditions when;
  Actions actions;
  RouteRules routes;
  Answers answers = {};
  bool aside = false;  // it never has focus: no direction and no Tab leads to it
  std::optional<Prompt> prompt = {};
  bool operator==(const ButtonData&) const = default;
};

// Free: each where its own place says, as on a screen.
enum class Flow : std::uint8_t { Row, Column, Grid, Ring, Free };
// Baseline: of a row; elsewhere like Start.
enum class Across : std::uint8_t { Start, Centre, End, Stretch, Baseline };
// Where the children are when there is more room than they take; spread: it goes between them.
enum class Along : std::uint8_t { Start, Centre, End, Spread };
// The columns and rows of a grid: each as large as what is in it, all alike over the container, or
// of a given size.
enum class Cells : std::uint8_t { Content, Shared, Fixed };

// Whether what is longer than a container is reached by moving it, and which way.
enum class Scrolls : std::uint8_t { No, Down, Across };
// How far a scroller moves to show what gets focus: as little as it must, so that it is in the
// middle, or by a whole view.
enum class Follow : std::uint8_t { Nearest, Centre, Page };

// On which side of its button a fly-out opens where there is room; else on the other one.
enum class Side : std::uint8_t { Below, Above, Right, Left };

// A container that stands on the screen itself and is seen only while it is open: beside the button
// that it flies out from, moved by the offsets of its own place.
struct FlyOut {
  ItemId from = {};  // empty: none, the container is always there
  Side side = Side::Below;
  bool byHover = true, byFocus = true, byAccept = false;  // what opens it
  bool operator==(const FlyOut&) const = default;
};

// Whether a container's buttons are tabs: what steps through tabs presses the one after the current
// one, and at the end stops, or goes round.
enum class Tabs : std::uint8_t { No, Stop, Round };

// Holds what is in it together, and keeps it in order, in document order, where it is not free.
struct ContainerData {
  Flow flow = Flow::Column;
  Px gap = 16, padding = 0;
  Across across = Across::Start;  // Grid: in each cell, both ways
  bool clips = false;             // what reaches beyond it is neither seen nor hit
  Along along = Along::Start;     // Row, Column
  bool equal = false;             // Row, Column: all as long as the longest
  bool wraps = false;             // Row: goes on in a further line where it is full
  Px lineGap = 16;                // between the lines of a row that wraps, and the rows of a grid
  int columns = 3;                // Grid: 1–kMostColumns
  Cells cells = Cells::Content;   // Grid
  Px cellWidth = 100, cellHeight = 100;  // Grid with fixed cells
  // Ring: where the first lies, degrees clockwise from the top, how far the others go round, and
  // how far all are from the middle.
  double start = 0, sweep = 360;
  Px radius = 200;
  Scrolls scrolls = Scrolls::No;  // one that does also clips; the padding stays free at its ends
  Follow follow = Follow::Nearest;
  FlyOut flyOut = {};
  GroupId group = {};  // whose copy it is (Group); empty: of none
  Tabs tabs = Tabs::No;
  ListId bar = {};      // it has a button for each screen of that list; empty: of none
  bool panels = false;  // of what is in it one is shown, at first the first that is not hidden
  bool isCut() const { return clips || scrolls != Scrolls::No; }
  bool operator==(const ContainerData&) const = default;
};
inline constexpr int kMostColumns = 64;

struct PanelData {
  Fill fill;
  Px radius = 0;
  Px blur = 0;  // what lies below shows through blurred by so much, 0–kMostBlur; 0: as it is
  bool operator==(const PanelData&) const = default;
};

inline constexpr Px kMostBlur = 64;

// How a picture fills its box: cut to cover it, contained in it, or whole, stretched over it.
enum class PictureFit : std::uint8_t { Cover, Contain, Whole };

struct PictureData {
  std::string file;  // relative to the project's folder
  PictureFit fit = PictureFit::Cover;
  // The point of the picture that stays in sight, 0–1 from its left and top: where it is cut, as
  // near to the box's middle as it can be; where it leaves room, it lies so far along in it.
  double focusX = 0.5, focusY = 0.5;
  bool turns = false;  // where one reads from the right it is seen turned over, as what lies on it
  bool operator==(const PictureData&) const = default;
};

struct Item {
  ItemId id;
  std::string name;
  ItemId parent;  // the container that it is in; empty: the screen
  Place place;
  int columns = 1, rows = 1;  // of the grid that it is in: how many cells it takes, 1–kMostColumns
  bool locked = false;        // cannot be picked on the canvas, and nothing that is in it
  bool hidden = false;        // with all that is in it; in a menu, until an action shows it
  std::string shownWhen = {};  // a formula over values that must hold, too; empty: always
  ItemId origin = {};          // in a copy of a group: which of the group's items it is
  std::variant<ButtonData, ContainerData, PanelData, PictureData> what;
  Extras extra;
  bool operator==(const Item&) const = default;

  const ButtonData* button() const { return std::get_if<ButtonData>(&what); }
  ButtonData* button() { return std::get_if<ButtonData>(&what); }
  const ContainerData* container() const { return std::get_if<ContainerData>(&what); }
  ContainerData* container() { return std::get_if<ContainerData>(&what); }
};

// What is heard while a screen is there, again and again, and what becomes of it while another
// lies on top that has no music itself.
enum class Beneath : std::uint8_t { GoesOn, Quieter, Stops };
struct Music {
  std::string file = {};  // beside the project; empty: none of its own
  double volume = 1;      // 0–1
  Beneath beneath = Beneath::GoesOn;
  bool operator==(const Music&) const = default;
};
inline constexpr double kQuieter = 0.35;  // of its volume

// A line to place things by, across the whole canvas; nothing of it is in the menu.
struct Guide {
  bool upright = true;  // at `at` px from the left; else from the top
  Px at = 0;
  bool operator==(const Guide&) const = default;
};

// What a press does that falls beside all that stands on a screen which lies on top of another:
// nothing, it goes back, or it goes back and then presses what lies there.
enum class Beside : std::uint8_t { Blocks, Leaves, Through };

// What comes by itself when nobody has done anything for a while.
struct Idle {
  Ms after = 0;  // since somebody did something, or the screen was opened; 0: never
  Actions actions = {};
  bool operator==(const Idle&) const = default;
};

struct Screen {
  ScreenId id;
  std::string name;
  Fill backdrop;        // none shows what is below it in the stack
  double dimBelow = 0;  // 0–1: how far it darkens what is below
  Px blurBelow = 0;     // what is below is blurred by so much, 0–kMostBlur
  Scaling scaling = Scaling::None;
  DisplayId drawnOn;  // that sizes and places are written for; empty: the project’s first
  ScreenMotion comes, goes;
  bool waitUntilShown = false;  // input does nothing until it has come
  Beside beside = Beside::Blocks;
  bool sleeps = false;          // while it is covered its machines’ timers stand still
  Music music;
  Idle idle;
  bool passDisabled = true;  // a move passes over disabled buttons instead of stopping on them
  ItemId entry;              // where focus starts
  std::vector<Cluster> clusters;
  std::vector<Binding> bindings;  // count more here than the project's
  std::vector<Guide> guides;
  bool guidesLocked = false;  // not to be dragged
  // A tree written out (tree.h): painted in this order, the last on top.
  std::vector<Shared<Item>> items;
  Extras extra;
};

// Calls with every condition that the item has, those of its actions, too.
template <class AnyItem, class Use>
void eachCondition(AnyItem& item, Use use) {
  use(item.shownWhen);
  auto* button = item.button();
  if (!button) return;
  use(button->when.enabled);
  use(button->when.current);
  for (auto& action : button->actions) use(action.when);
}

// Null where there is none. Valid as long as the screen has it.
const Item* findItem(const Screen& screen, const ItemId& id);
// What a person calls the item: its name, its caption in the first language, else what it is.
std::string displayName(const Item& item);

}  // namespace bristle
