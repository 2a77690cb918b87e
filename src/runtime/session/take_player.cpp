#include "runtime/session/take_player.h"

#include <algorithm>

namespace bristle {

std::optional<InputEvent> eventOf(const TakeStep& step, const Session& session) {
  InputEvent event = std::get<InputEvent>(step.what);
  if (event.name.empty() || !isPointerEvent(event.type)) return event;
  const ScreenRun& run = session.stack().back();
  for (size_t i = 0; i < run.buttons.size(); ++i) {
    if (run.buttons[i].item->id.text != event.name) continue;
    const Box& box = run.routes.input.boxes[i];
    event.x = box.x + box.w / 2;
    event.y = box.y + box.h / 2;
    return event;
  }
  return {};
}

void TakeCheck::happened(const TraceEntry& entry) {
  if (since_.size() == kMostKept) since_.pop_front();
  since_.push_back(entry);
}

void TakeCheck::check(const TakeStep& step) {
  const auto& expected = std::get<Expectation>(step.what);
  for (size_t i = 0; i < since_.size() && since_[i].at <= expected.at; ++i) {
    if (toLine(since_[i]) != expected.line) continue;
    since_.erase(since_.begin(), since_.begin() + static_cast<std::ptrdiff_t>(i + 1));
    return;
  }
  TakeFailure failure{step.source, expected.line, {}};
  for (const TraceEntry& entry : since_) failure.happened.push_back(toLine(entry));
  failures_.push_back(std::move(failure));
}

TakePlayer::TakePlayer(const Take& take, Session& session, Feed feed, TraceTold told)
    : take_(take), session_(session), feed_(std::move(feed)), told_(std::move(told)) {
  for (size_t i = 0; i < take.steps.size(); ++i)
    if (std::holds_alternative<Expectation>(take.steps[i].what)) lastExpectation_ = i + 1;
  if (!feed_) feed_ = [this](const InputEvent& event) { session_.feed(event); };
  listen();
}

Ms TakePlayer::due() const {
  const auto& what = take_.steps[next_].what;
  const auto* event = std::get_if<InputEvent>(&what);
  return event ? event->at : std::get<Expectation>(what).at;
}

void TakePlayer::listen() {
  if (!told_) {
    for (; seen_ < session_.trace().size(); ++seen_)
      if (expectsMore()) check_.happened(session_.trace()[seen_]);
    return;
  }
  for (const TraceEntry& entry : session_.drainTrace()) {
    if (expectsMore()) check_.happened(entry);
    told_(entry);
  }
}

Result<void> TakePlayer::step() {
  const TakeStep& step = take_.steps[next_];
  const std::string place = step.source ? "line " + std::to_string(step.source) : "a step";
  const Ms at = due();
  ++next_;
  session_.feed({.at = at});  // what points at a button wants to know where it is by then
  listen();
  if (std::holds_alternative<InputEvent>(step.what)) {
    const auto event = eventOf(step, session_);
    if (!event)
      return fail(place, "no button “" + std::get<InputEvent>(step.what).name +
                             "” on the screen that is open at " + std::to_string(at) + " ms");
    feed_(*event);
    listen();
  } else {
    check_.check(step);
  }
  if (session_.gaveUp())
    return fail(place,
                "messages or timers go on without end: " + std::to_string(Session::kMostRunaways) +
                    " chains were cut by " + std::to_string(session_.now()) + " ms");
  return {};
}

Result<Session> sessionFor(const Project& project, const Take& take, const TextMeasure& measure,
                           const HitTest* test) {
  const auto showing = showingOf(project, take.display, take.language);
  if (!showing) return fail("take “" + take.name + "”", showing.error().reason);
  if (take.screen && !find(project, take.screen))
    return fail("take “" + take.name + "”", "no screen “" + take.screen.text + "”");
  auto session = Session::start(project, *showing, measure, take.screen);
  if (session) session->setHitTest(test);
  return session;
}

Result<TakeResult> play(const Project& project, const Take& take, const TextMeasure& measure,
                        const HitTest* test, const TakeSeen& seen) {
  auto session = sessionFor(project, take, measure, test);
  if (!session) return tl::unexpected(session.error());
  TakePlayer player(take, *session, [&](const InputEvent& event) {
    session->feed(event);
    if (seen) seen(*session, event);
  });
  if (seen) seen(*session, {});
  while (!player.atEnd())
    if (const auto done = player.step(); !done) return tl::unexpected(done.error());
  return TakeResult{session->trace(), player.failures()};
}

Result<std::vector<TakeFailure>> playThrough(const Project& project, const Take& take,
                                             const TextMeasure& measure, const HitTest* test,
                                             const TraceTold& told) {
  auto session = sessionFor(project, take, measure, test);
  if (!session) return tl::unexpected(session.error());
  TakePlayer player(take, *session, {}, told);
  while (!player.atEnd())
    if (const auto done = player.step(); !done) return tl::unexpected(done.error());
  return player.failures();
}

}  // namespace bristle
