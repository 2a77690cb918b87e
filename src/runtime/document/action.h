// What an activated button or a shortcut does, step by step, and how screens come and go.
#pragma once
#include <cstdint>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "runtime/document/basics.h"
#include "runtime/document/ids.h"
#include "runtime/document/value.h"

namespace bristle {

enum class ScreenMotionForm : std::uint8_t { Cut, Fade, Slide, Grow };
// From which side of the display one slides in, or to which it slides out.
enum class ScreenEdge : std::uint8_t { Left, Right, Top, Bottom };

// How a screen comes or goes. A cut takes no time.
struct ScreenMotion {
  ScreenMotionForm form = ScreenMotionForm::Cut;
  Ms duration = 200;
  Easing easing;
  ScreenEdge edge = ScreenEdge::Right;  // Slide
  double x = 0.5, y = 0.5;              // Grow: the point that stays, 0–1 of the display
  Ms follow = 0;  // so much later each button moves than the one before; 0: all at once
  bool operator==(const ScreenMotion&) const = default;
  Ms time() const { return form == ScreenMotionForm::Cut ? 0 : duration; }
};

// How one screen makes place for another.
struct ScreenChange {
  ScreenMotion out, in;
  bool operator==(const ScreenChange&) const = default;
};

// Open replaces the whole stack, PutOnTop stacks, Back takes the top one off, BackTo all above a
// screen. Panel shows one of a set of which one is shown. Step moves a value by so many of its
// steps. Speak goes on in another language. Flip
// turns a flag over, and goes to the next of a choice or of a number, after the last to the first.
enum class ActionType : std::uint8_t {
  Open,
  PutOnTop,
  Back,
  BackTo,
  Panel,
  Show,
  Hide,
  Toggle,
  Set,
  Step,
  Message,
  Link,
  Quit,
  Speak,
  Flip
};

struct Action {
  ActionType type = ActionType::Back;
  ScreenId screen = {};                     // Open, PutOnTop, BackTo
  std::string message = {};                 // Message: its name; Link: an address
  ItemId item = {};                         // Panel, Show, Hide, Toggle
  ValueId value = {};                       // Set, Step, Flip
  double number = 0;                        // Set: to what; Step: by how many steps
  LanguageId language = {};                 // Speak
  std::string when = {};                    // a formula that must hold; empty: always
  std::optional<ScreenChange> change = {};  // none: as the screens themselves say
  bool operator==(const Action&) const = default;

  // Whether it names a screen.
  bool leads() const {
    return type == ActionType::Open || type == ActionType::PutOnTop || type == ActionType::BackTo;
  }
  bool hasItem() const { return type >= ActionType::Panel && type <= ActionType::Toggle; }
  bool hasValue() const {
    return type == ActionType::Set || type == ActionType::Step || type == ActionType::Flip;
  }
};

// Worked off in order; what changes the stack ends it.
using Actions = std::vector<Action>;
inline constexpr size_t kMostActions = 32;  // of one button

// As they stand in files: “open”, “top”, “back”…
std::span<const std::string_view> actionNames();
// The screen that they open in the place of all others; empty: none.
ScreenId opens(const Actions& actions);
// Whether a link may lead there: http, https and mailto alone.
bool isSafeLink(std::string_view address);

}  // namespace bristle
