// A screen: what is placed on it, and where, and where focus starts and goes.
#pragma once
#include <cstdint>
#include <string>
#include <variant>
#include <vector>

#include "runtime/document/basics.h"
#include "runtime/document/ids.h"
#include "runtime/document/kind.h"
#include "runtime/document/route_rule.h"
#include "runtime/document/text.h"
#include "runtime/document/value.h"

namespace bristle {

// Which side of what holds it an item keeps its distance to, on one axis. `Both` stretches.
enum class Pin : std::uint8_t { Start, Centre, End, Both };

// On one axis: Start: `offset` from the near edge. Centre: the item's centre lies `offset` beyond
// the centre. End: `offset` before the far edge. Both: `offset` and `farOffset` from the edges.
// All in px of the display after its scale. A size of 0 is the item's natural size.
struct AxisPlace {
  Pin pin = Pin::Start;
  Px offset = 0;
  Px size = 0;
  Px farOffset = 0;
  bool operator==(const AxisPlace&) const = default;
};

struct Place {
  AxisPlace x, y;
  bool operator==(const Place&) const = default;
};

enum class ActionType : std::uint8_t { None, Open, PutOnTop, Back, Message, Quit };

// What an activated button does. Open replaces the whole stack, PutOnTop stacks, Back takes off.
struct Action {
  ActionType type = ActionType::None;
  ScreenId screen;
  std::string message;
  bool operator==(const Action&) const = default;
};

// Formulas over values, which must hold (runtime/machine/condition.h).
struct Conditions {
  std::string enabled;  // empty: always
  std::string current;  // empty: while the button leads to the screen that it stands on
  bool operator==(const Conditions&) const = default;
};

struct ButtonData {
  KindId kind;
  Text caption;
  Text accessibleName;  // empty: the caption serves
  Text description;     // what a screen reader may add
  OwnLook own;          // what this button changes of its kind's look
  bool disabled = false;
  Conditions when;
  Action action;
  RouteRules routes;
  bool operator==(const ButtonData&) const = default;
};

enum class Flow : std::uint8_t { Row, Column };
enum class Across : std::uint8_t { Start, Centre, End, Stretch };

// Keeps what is in it in a row or a column, in document order.
struct ContainerData {
  Flow flow = Flow::Column;
  Px gap = 16, padding = 0;
  Across across = Across::Start;
  bool clips = false;  // what reaches beyond it is neither seen nor hit
  bool operator==(const ContainerData&) const = default;
};

struct PanelData {
  Fill fill;
  Px radius = 0;
  bool operator==(const PanelData&) const = default;
};

struct PictureData {
  std::string file;  // relative to the project's folder
  bool operator==(const PictureData&) const = default;
};

struct Item {
  ItemId id;
  std::string name;
  ItemId parent;  // the container that it is in; empty: the screen
  Place place;
  bool locked = false;  // cannot be picked on the canvas, and nothing that is in it
  bool hidden = false;  // with all that is in it
  std::variant<ButtonData, ContainerData, PanelData, PictureData> what;
  Extras extra;
  bool operator==(const Item&) const = default;

  const ButtonData* button() const { return std::get_if<ButtonData>(&what); }
  ButtonData* button() { return std::get_if<ButtonData>(&what); }
  const ContainerData* container() const { return std::get_if<ContainerData>(&what); }
  ContainerData* container() { return std::get_if<ContainerData>(&what); }
};

enum class ScreenMotionForm : std::uint8_t { Cut, Fade };

// How a screen comes or goes. A cut takes no time.
struct ScreenMotion {
  ScreenMotionForm form = ScreenMotionForm::Cut;
  Ms duration = 200;
  Easing easing;
  bool operator==(const ScreenMotion&) const = default;
  Ms time() const { return form == ScreenMotionForm::Cut ? 0 : duration; }
};

struct Screen {
  ScreenId id;
  std::string name;
  Fill backdrop;        // none shows what is below it in the stack
  double dimBelow = 0;  // 0–1: how far it darkens what is below
  ScreenMotion comes, goes;
  bool waitUntilShown = false;  // input does nothing until it has come
  bool passDisabled = true;     // a move passes over disabled buttons instead of stopping on them
  ItemId entry;                 // where focus starts
  std::vector<Cluster> clusters;
  // A tree written out (tree.h): painted in this order, the last on top.
  std::vector<Shared<Item>> items;
  Extras extra;
};

// Null where there is none. Valid as long as the screen has it.
const Item* findItem(const Screen& screen, const ItemId& id);
// What a person calls the item: its name, its caption in the first language, else what it is.
std::string displayName(const Item& item);

}  // namespace bristle
