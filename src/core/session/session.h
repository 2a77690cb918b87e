// A running menu. Input events go in, a list of what happened comes out; time comes in with the
// events and nothing reads a clock, so the same events always give the same trace.
//
//   auto session = Session::start(project, display, measure);
//   session->feed({0, InputType::Move, Device::Keyboard, 0, 0, Dir::Down, true});
//   for (const TraceEntry& entry : session->trace()) …
#pragma once
#include <deque>
#include <memory>
#include <vector>

#include "core/session/input.h"
#include "core/session/screen_run.h"
#include "core/session/trace.h"

namespace bristle {

class Session {
 public:
  // Begins at the project's first screen, or at `screen`. `measure` must outlive the session.
  static Result<Session> start(const Project& project, const Display& display,
                               const TextMeasure& measure, const ScreenId& screen = {});

  // For hit areas that are not boxes; must outlive the session.
  void setHitTest(const HitTest* test) { hitTest_ = test; }
  // What moves takes no time, and what moves without end stands still, from now on.
  void setReducedMotion(bool on);
  // Time goes on to the event's, then the event is worked off. An earlier time counts as now.
  void feed(const InputEvent& event);

  const std::vector<TraceEntry>& trace() const { return trace_; }
  // The screens on the stack, the top one last. The looks may be asked for at now().
  std::vector<ScreenRun>& stack() { return stack_; }
  const std::vector<ScreenRun>& stack() const { return stack_; }
  Device modality() const { return modality_; }
  Ms now() const { return now_; }
  bool ended() const { return ended_; }
  // Whether any look is on its way just now.
  bool moving() const;
  const Display& display() const { return display_; }
  const Project& project() const { return compiled_->project(); }
  // The button that has focus; empty when none has.
  ItemId focused() const;
  double value(const ValueId& id) const;

 private:
  struct Press {
    size_t depth = 0;
    int box = -1;
    bool operator==(const Press&) const = default;
  };
  struct Happened {
    size_t depth;
    int box;
    Outcome outcome;
  };

  ScreenRun& top() { return stack_.back(); }
  ButtonRun& button(size_t depth, int box) { return stack_[depth].buttons[size_t(box)]; }
  void work(const InputEvent& event);
  void runTo(Ms until);
  void point(const InputEvent& event);
  void setOver(int box);
  void move(const InputEvent& event);
  void moveOnce(Dir dir);
  void accept(bool down);
  void cancel();
  void step(bool forwards);
  void gone();
  void useDevice(Device device);
  void showFocus();
  void focusOn(int box, std::string how);
  void releasePress(Press& press, bool abandon);
  void add(TraceEntry entry);
  void show(ButtonRun& opened);
  void push(const ScreenId& id, TraceType type, const ItemId& by);
  void pop();
  void enter(const ItemId& before);
  void leaveTop();
  template <class Step>
  void withButton(size_t depth, int box, Step step);
  void collect(size_t depth, int box);
  void settle();
  void handle(const Happened& happened);
  void perform(const Item& item);
  void send(int message);

  std::shared_ptr<const Compiled> compiled_;
  Symbols symbols_;
  std::vector<double> values_;
  Display display_;
  const TextMeasure* measure_ = nullptr;
  const HitTest* hitTest_ = nullptr;
  std::vector<ScreenRun> stack_;
  std::vector<TraceEntry> trace_;
  std::vector<Outcome> outcomes_;
  std::deque<Happened> queue_;
  bool settling_ = false;
  Ms now_ = 0;
  bool ended_ = false, reduced_ = false;
  Device modality_ = Device::Keyboard;
  Press pointerPress_, keyPress_;
  int held_[4] = {};    // by Dir: by how many devices it is held
  int repeating_ = -1;  // the Dir held last
  Ms nextRepeat_ = 0;
};

template <class Step>
void Session::withButton(size_t depth, int box, Step step) {
  ButtonRun& run = button(depth, box);
  step(*run.kind->program, run.running,
       StepContext{now_, values_, &outcomes_, nullptr, values_.data()});
  collect(depth, box);
}

}  // namespace bristle
