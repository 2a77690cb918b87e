// One screen of a running menu: its layout, routes and machines, its focus and its memories.
#pragma once
#include <array>
#include <map>
#include <memory>
#include <span>
#include <vector>

#include "runtime/document/project.h"
#include "runtime/focus/screen_routes.h"
#include "runtime/machine/interpreter.h"
#include "runtime/machine/look.h"
#include "runtime/session/screen_life.h"

namespace bristle {

class HitTest;

// What a project's machines and kinds compile to; made once, shared by all screens of a session.
class Compiled {
 public:
  // An error where a formula of a machine cannot be read.
  static Result<std::shared_ptr<const Compiled>> make(const Project& project);
  struct KindRun {
    const Kind* kind = nullptr;
    const Machine* machine = nullptr;
    std::shared_ptr<const Program> program;
    std::shared_ptr<const LookTable> looks;
  };
  // Null for a kind that is not there, or has no machine.
  const KindRun* find(const KindId& id) const;
  Symbols symbols;
  const Project& project() const { return project_; }

 private:
  Project project_;  // keeps what the pointers point to
  std::map<KindId, KindRun> kinds_;
};

// Whether a place lies in a box; its right and lower edges are out of it.
inline bool holds(const Box& box, Px x, Px y) {
  return x >= box.x && x < box.x + box.w && y >= box.y && y < box.y + box.h;
}

struct ButtonRun {
  const Item* item = nullptr;
  const Compiled::KindRun* kind = nullptr;
  Running running = {};
  LookPlayer player;
  Formula enabledWhen = {}, currentWhen = {};  // that hold always: nothing is asked
  bool allowed = true;      // by the button itself and the host, whatever values say
  int pressedBy = 0;        // the number of the press that arms it
  FiringChain firing = {};  // of its timers

  int panel = -1;  // the item that its first action of that sort shows; −1: none

  // What values call for.
  bool shallBeEnabled(std::span<const double> values) const {
    return allowed && enabledWhen.holds({}, values);
  }
};

// A move of focus that can be taken back.
struct MoveMade {
  int from = -1, to = -1;
  Dir dir = Dir::Up;
};
inline constexpr size_t kMostTakenBack = 32;  // moves that are kept

// What keeps a screen's fly-outs open beside what is pointed at or has focus.
struct FlyOutsHeld {
  int accepted = -1;   // one that was opened by accept stays until something else is pressed
  int dismissed = -1;  // one that was closed by cancel, until focus leaves its button
  // Where the pointer was last on what belongs to the open one: on its way from there to it the
  // pointer may cross other buttons, until it has rested for a while.
  Px x = 0, y = 0;
  bool onTheWay = false;
  Ms restsUntil = 0;
};

struct ScreenRun {
  const Screen* screen = nullptr;
  ScreenLife life;
  Layout layout;
  ScreenRoutes routes;
  std::vector<ButtonRun> buttons;  // by box of `routes`
  // Of what stands still, by item.
  std::map<size_t, std::shared_ptr<const LookTable>> still;
  int focus = -1;  // box; −1: none
  // By box and direction: where focus came from when it arrived against that direction.
  std::vector<std::array<int, 4>> memory;
  std::vector<MoveMade> trail;  // the run of moves that led here, the newest last
  std::vector<int> lastIn;      // by cluster: the box in it that had focus last; −1: none yet
  std::vector<bool> inside;     // by cluster: a single stop that focus has gone into
  int number = 0;               // of its opening, in this session
  FlyOutsHeld flyOuts;
  bool conditions = false;  // whether anything on it may change with values, or be shown or hidden
  std::vector<bool> off;    // by item: hidden by itself, or since another panel of its set is shown
  std::vector<std::pair<size_t, Formula>> shownWhen;  // by item, of those that ask
  std::vector<bool> barred;  // by item: a condition keeps it, or what it is in, from being shown
  Ms sleptFrom = 0;          // when it was covered

  // What values call for is shown and hidden. The items that are there now and were not, or the
  // other way round, without what is in them.
  std::vector<size_t> refreshShown(std::span<const double> values);
  // For another language: places and routes are made anew, all else stays.
  void layAnew(const Project& project, const Showing& showing, const TextMeasure& measure,
               std::span<const double> values);
  // Shows or hides an item; of a set of panels the others go.
  void turn(size_t item, bool on);
  // Whether the button at a box is to be seen, as far as what is shown and hidden says.
  bool isThere(int box) const { return layout.items[size_t(routes.items[size_t(box)])].shown; }
  bool shallBeCurrent(const ButtonRun& button, std::span<const double> values) const;
  // How many buttons follow one another where it comes or goes, by box.
  int places() const { return static_cast<int>(buttons.size()); }

  // Whether input does nothing here yet.
  bool waits() const { return screen->waitUntilShown && life.phase() == ScreenPhase::Opening; }

  // Keeps it in mind for the clusters, too. `into`: goes into those that are a single stop.
  void focusOn(int box, bool into = false);
  // The outermost single stop that holds a box, and that focus has not gone into; −1: none.
  int stopOf(int box) const;
  // Goes into the single stop that has focus, or comes out of the innermost that it is in. The
  // cluster; −1: there is none.
  int goInto();
  int comeOut();
  // Where the rings of clusters are seen that have focus, with them.
  std::vector<std::pair<Box, FocusRing>> rings() const;
  // Moves what scrollers hold (layout/scroll.h), and solves the routes for what can be seen now.
  // False where that changes nothing.
  bool scrollTo(std::span<const Px> offsets);
  // The topmost button at a point; −1 when there is none.
  int boxAt(Px x, Px y, const HitTest* test = nullptr) const;
  // Whether anything that is seen stands there, panels and pictures, too.
  bool holdsAny(Px x, Px y) const;
};

// Where a move leads, and why. −1: nowhere. `takesBack`: it is the newest move of the trail, back.
struct Move {
  int target = -1;
  const char* how = "nothing there";
  bool takesBack = false;
};
// From box `from`; changes nothing.
Move resolveMove(const ScreenRun& run, int from, Dir dir);
// Keeps in mind where it came from, and hands back the trail that holds once focus is there.
std::vector<MoveMade> remember(ScreenRun& run, const Move& move, Dir dir);
// Whether it can, as things are.
bool canHaveFocus(const ScreenRun& run, int box);
// Where focus goes that cannot stay where it is: back, else to the nearest, else to where it
// starts; −1: nowhere.
int focusInstead(const ScreenRun& run);
// The next (or previous) button in reading order, round the end; disabled ones are passed over.
int stepFrom(const ScreenRun& run, int from, bool forwards);

// Where focus starts: the screen's entry, else the next one in reading order that can have it.
int startBox(const ScreenRun& run);

// Every machine at its first state; nobody has focus. An error where a button has no kind or
// machine, or asks what cannot be read.
Result<ScreenRun> openScreen(const Compiled& compiled, const Screen& screen, const Showing& showing,
                             const TextMeasure& measure);

}  // namespace bristle
