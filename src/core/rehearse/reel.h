// A rehearsal as a reel: what a session was fed and what came of it, so that any moment can be
// looked at again, and gone on from. The session is a value; copies of it are kept on the way.
//
//   Reel reel(std::move(session));
//   reel.feed(event); reel.runTo(5'000);
//   reel.seek(1'200);  // as it was then; what came later is still there
#pragma once
#include <memory>
#include <optional>
#include <span>
#include <vector>

#include "runtime/session/session.h"

namespace bristle {

// Why something happened: an event, or time alone (the begin, timers, what is held).
struct Cause {
  Ms at = 0;
  int event = -1;    // in Reel::fed(); −1: time
  size_t trace = 0;  // the first entry of Reel::trace() that came of it; they go on to the next one
};

class Reel {
 public:
  // As it has begun, before anything was fed.
  explicit Reel(Session begun);

  // As it began; the trace of that is the first of trace().
  const Session& begun() const { return line_.copies.front()->session; }
  // At the moment that is looked at.
  Session& session() { return session_; }
  const Session& session() const { return session_; }
  Ms now() const { return session_.now(); }
  // The latest moment that it has come to, ms. Before it one looks back.
  Ms end() const { return line_.end; }
  bool atEnd() const { return next_ == line_.fed.size() && now() >= line_.end; }

  // All until end(), also what lies later than now().
  const std::vector<InputEvent>& fed() const { return line_.fed; }
  const std::vector<TraceEntry>& trace() const { return line_.trace; }
  // Those that have led to something, and all that a person pressed; by time.
  const std::vector<Cause>& causes() const { return line_.causes; }
  // Another number whenever something of that is there no more.
  int edition() const { return edition_; }
  // How many entries of trace() have happened by now().
  size_t happened() const { return happened_; }

  // Time goes on; what lies between is done again as it was.
  void runTo(Ms at);
  // Goes on from now() with something new. Where one looks back, what came later is set aside, and
  // what was held then is let go.
  void feed(const InputEvent& event);
  // Looks at a moment; later than end() is the end.
  void seek(Ms at);
  // The next (or previous) moment at which something happened; none: nothing.
  std::optional<Ms> happeningAfter() const;
  std::optional<Ms> happeningBefore() const;
  // Whether something was set aside; and that comes back, for what came instead.
  bool hasOther() const { return other_.has_value(); }
  void changeToOther();
  // The same events again, with motion or without.
  void setReducedMotion(bool on);

  static constexpr size_t kMostCopies = 256;  // then every other one goes

 private:
  struct Copy {
    Session session;
    size_t next, happened;
  };
  struct Line {
    std::vector<InputEvent> fed;
    std::vector<TraceEntry> trace;
    std::vector<Cause> causes;
    std::vector<std::shared_ptr<const Copy>> copies;  // by time; the first is the begin
    Ms end = 0;
  };
  void work(const InputEvent& event, int index);
  void listen(int event);
  void keepCopy();
  void goTo(const Copy& copy);
  void doAgain(Ms until);
  void branch(Ms at);
  std::vector<InputEvent> heldNow() const;

  Session session_;
  Line line_;
  std::optional<Line> other_;
  size_t next_ = 0;      // of line_.fed
  size_t happened_ = 0;  // of line_.trace
  Ms apart_ = 1'000;     // between copies, ms
  int edition_ = 0;
};

}  // namespace bristle
