// A running menu. Input events go in, a list of what happened comes out; time comes in with the
// events and nothing reads a clock, so the same events always give the same trace.
//
//   auto session = Session::start(project, display, measure);  // or {display, language}
//   session->feed({.type = InputType::Move, .dir = Dir::Down});
//   for (const TraceEntry& entry : session->trace()) …
#pragma once
#include <deque>
#include <map>
#include <memory>
#include <set>
#include <vector>

#include "runtime/session/devices.h"
#include "runtime/session/screen_run.h"
#include "runtime/session/trace.h"

namespace bristle {

class Session {
 public:
  // Begins at the project's first screen, or at `screen`. `measure` must outlive the session.
  static Result<Session> start(const Project& project, const Showing& showing,
                               const TextMeasure& measure, const ScreenId& screen = {});

  // For hit areas that are not boxes; must outlive the session.
  void setHitTest(const HitTest* test) { hitTest_ = test; }
  // What moves takes no time, and what moves without end stands still, from now on.
  void setReducedMotion(bool on);
  // Time goes on to the event's, then the event is worked off. An earlier time counts as now.
  void feed(const InputEvent& event);

  const std::vector<TraceEntry>& trace() const { return trace_; }
  // The same, taken out: what comes later begins a new list. For runs too long to be kept whole.
  std::vector<TraceEntry> drainTrace() { return std::exchange(trace_, {}); }
  // The screens on the stack, the top one last. The looks may be asked for at now().
  std::vector<ScreenRun>& stack() { return stack_; }
  // All that is to be seen, from below: the stack, and what is on its way out under or over it.
  std::vector<ScreenRun*> seen();
  const std::vector<ScreenRun>& stack() const { return stack_; }
  Device modality() const { return modality_; }
  // Whether the look of focus is shown: not while a pointer is used that is kept apart from it.
  bool focusShown() const { return project().settings.pointerMovesFocus || !isPointer(modality_); }
  Ms now() const { return now_; }
  bool ended() const { return ended_; }
  // Ended since messages or timers went on without end again and again.
  bool gaveUp() const { return runaways_ >= kMostRunaways; }
  // Whether any look or screen is on its way just now.
  bool moving() const;
  // Whether a screen comes or goes just now.
  bool screensMove() const;
  const Display& display() const { return showing_.display; }
  const LanguageId& language() const { return showing_.language; }
  const Project& project() const { return compiled_->project(); }
  // Where it began.
  const ScreenId& first() const { return first_; }
  // The button that has focus; empty when none has.
  ItemId focused() const;
  double value(const ValueId& id) const;
  // As conditions read them: the project's, then what they ask beside (conditionSymbols).
  std::span<const double> values() const { return values_; }

  static constexpr size_t kMostScreens = 64;  // on the stack
  static constexpr size_t kMostLeaving = 8;   // screens on their way out at once
  static constexpr int kMostQueued = 10'000;  // effects that one event may lead to
  static constexpr int kMostHeard = 500'000;  // messages heard by buttons, of one event
  static constexpr int kMostOpened = 100;     // screens that one event opens or goes back to
  static constexpr int kMostRunaways = 8;     // chains cut before the session ends

 private:
  struct Happened {
    int screen;  // its number
    const Item* item;
    Outcome outcome;
  };

  ScreenRun& top() { return stack_.back(); }
  size_t topDepth() const { return stack_.size() - 1; }
  ButtonRun& button(size_t depth, int box) { return stack_[depth].buttons[size_t(box)]; }
  bool isAside(int box) { return top().routes.isAside(size_t(box)); }
  bool isEnabled(int box) { return button(topDepth(), box).running.signals.has(Signals::Enabled); }

  // session.cpp: time
  void work(const InputEvent& event);
  void runTo(Ms until);
  void add(TraceEntry entry);
  void bump(const ItemId& item, std::string how, bool heard = true);

  // session_screens.cpp: the life of screens
  void show(ButtonRun& opened);
  void atRest(ScreenRun& opened);
  bool push(const ScreenId& id, TraceType type, const ItemId& by, const Action* how = nullptr);
  bool pop(const ItemId& by, size_t screens = 1, const Action* how = nullptr);
  bool popTo(const ScreenId& id, const ItemId& by, const Action* how);
  void enter(const ItemId& before);
  void leaveTop();
  Ms closing(ScreenRun run, bool above, const Action* how);
  void wake(ScreenRun& run);
  Ms nextPhaseEnd() const;
  void endPhases();
  ScreenRun* screenOf(int number);

  // session_effects.cpp: what machines send
  template <class Step>
  void withButton(size_t depth, int box, Step step);
  void collect(size_t depth, int box);
  void settle();
  void handle(const Happened& happened);
  void send(const std::string& message);
  void cut(const ItemId& item);
  void host(const InputEvent& event);
  StateIndex shownState(const ButtonRun& run, StateIndex state) const;

  // session_actions.cpp
  void perform(const Item& item);
  void act(const Actions& actions, const ItemId& by);
  bool act(const Action& action, const ItemId& by);
  void actOnItem(const Action& action, const ItemId& by);
  void actOnValue(const Action& action, const ItemId& by);
  void broken(const ItemId& by, std::string how);
  void speak(const LanguageId& language, const ItemId& by);
  Ms idleEnds() const;
  void beIdle();

  // session_values.cpp: values, and what depends on them
  void setValue(std::uint32_t index, double to);
  void mark(std::string_view what, std::string_view id, bool on = true);
  void markOpen();
  void followValues();
  void followShown(size_t depth);
  void followButton(size_t depth, int box);
  bool noteLocked(size_t depth, int box);
  void unlock(size_t depth, int box);
  void handFocusOn();

  // session_sounds.cpp
  double volumeOf(const ValueId& value) const;
  void cue(const std::string& file, const ItemId& by, double volume = 1);
  void followMusic();

  // session_focus.cpp
  void useDevice(Device device);
  // `along` is what the route carries that leads there; null: nothing.
  void focusOn(int box, std::string how, const RouteCarries* along = nullptr);
  void move(const InputEvent& event);
  void moveOnce(Dir dir);
  void step(bool forwards);
  bool throughStop(bool into);

  // session_fly_outs.cpp: which is open
  void followFlyOuts();
  int wantedFlyOut();
  int flyOutAt(const Pointer& pointer);
  void showFlyOut(int flyOut);
  bool acceptFlyOut(const Item& item);
  bool cancelFlyOut();
  Ms flyOutEnds() const;

  // session_scroll.cpp: what scrollers show
  void showFocus();
  void scrollTo(std::span<const Px> offsets);
  void scrollBy(const InputEvent& event);

  // session_press.cpp: pointers, presses and what devices hold
  Pointer* pointerOf(const InputEvent& event);
  void point(const InputEvent& event);
  void pointDown(Pointer& pointer, const InputEvent& event);
  bool leaveBeside(const InputEvent& event);
  void pointUp(const InputEvent& event);
  void place(Pointer& pointer);
  void hidePointers();
  void pointAnew();
  void focusUnder(const Pointer& pointer);
  bool overAny(int box) const;
  void refreshOver(int box);
  void arm(DownKey& key, int box, bool byKey);
  void endPress(const DownKey& key, Ends how);
  bool abandonAll();
  void accept(const InputEvent& event);

  // session_shortcuts.cpp: what is pressed from wherever focus is
  template <class Answering>
  bool pressAnswering(DownKey& key, Answering answering);
  void shortcut(const InputEvent& event);
  void shoulder(const InputEvent& event);
  void cancel(const InputEvent& event);
  struct TabRow {
    std::vector<int> boxes;  // in document order
    bool round = false;      // after the last comes the first
    bool mirrored = false;   // the first is at the right
  };
  TabRow tabs();

  void gone(const InputEvent& event);

  std::shared_ptr<const Compiled> compiled_;
  Symbols symbols_;
  std::vector<double> values_;
  Showing showing_ = Display{};
  ScreenId first_;
  const TextMeasure* measure_ = nullptr;
  const HitTest* hitTest_ = nullptr;
  // Screens as they open, by language: what was opened lately is not laid out and solved anew.
  static constexpr size_t kMostKeptOpenings = 12;  // a screen of many buttons takes a megabyte
  std::map<std::pair<ScreenId, LanguageId>, std::shared_ptr<const ScreenRun>> asTheyOpen_;
  std::vector<ScreenRun> stack_;
  struct Leaving {
    ScreenRun run;
    bool above;  // the stack
  };
  std::vector<Leaving> leaving_;
  std::vector<TraceEntry> trace_;
  std::vector<Outcome> outcomes_;
  std::deque<Happened> queue_;
  const RouteCarries* along_ = nullptr;  // while focus goes along a route that carries something
  bool settling_ = false, valuesChanged_ = false, unfolding_ = false;
  // Buttons that were seen locked in this session, and are; and those that are no more.
  std::set<ItemId> locked_, unlocked_;
  std::string music_;  // its file
  double musicVolume_ = 0;
  Ms now_ = 0;
  Ms lastDone_ = 0;   // when somebody did something, or another screen came on top
  int idledOn_ = -1;  // the number of the screen whose idle actions were done since
  bool ended_ = false, reduced_ = false;
  int runaways_ = 0, heard_ = 0, opened_ = 0;
  int screensOpened_ = 0, pressesBegun_ = 0;
  Device modality_ = Device::Keyboard;
  DownKeys down_;
  std::vector<Pointer> pointers_;
  Ms nextRepeat_ = 0;  // of the direction that was held last
};

template <class Step>
void Session::withButton(size_t depth, int box, Step step) {
  ButtonRun& run = button(depth, box);
  step(*run.kind->program, run.running,
       StepContext{now_, values_, &outcomes_, nullptr, values_.data()});
  collect(depth, box);
}

}  // namespace bristle
