#include "core/session/take.h"

#include <algorithm>

namespace bristle {

std::optional<InputEvent> eventOf(const TakeStep& step, const Session& session) {
  InputEvent event = std::get<InputEvent>(step.what);
  if (!step.on) return event;
  const ScreenRun& run = session.stack().back();
  for (size_t i = 0; i < run.buttons.size(); ++i) {
    if (run.buttons[i].item->id != step.on) continue;
    const Box& box = run.routes.input.boxes[i];
    event.x = box.x + box.w / 2;
    event.y = box.y + box.h / 2;
    return event;
  }
  return {};
}

void TakeCheck::check(const TakeStep& step, const std::vector<TraceEntry>& trace) {
  const auto& expected = std::get<Expectation>(step.what);
  for (size_t i = cursor_; i < trace.size() && trace[i].at <= expected.at; ++i) {
    if (toLine(trace[i]) != expected.line) continue;
    cursor_ = i + 1;
    return;
  }
  TakeFailure failure{step.source, expected.line, {}};
  for (size_t i = cursor_; i < trace.size(); ++i) failure.happened.push_back(toLine(trace[i]));
  failures_.push_back(std::move(failure));
}

Result<TakeResult> play(const Project& project, const Take& take, const TextMeasure& measure,
                        const HitTest* test, const TakeSeen& seen) {
  if (project.displays.empty()) return fail(project.name, "it has no display");
  const Display* display = take.display ? find(project, take.display) : &project.displays.front();
  if (!display) return fail("take “" + take.name + "”", "no display “" + take.display.text + "”");
  if (take.screen && !find(project, take.screen))
    return fail("take “" + take.name + "”", "no screen “" + take.screen.text + "”");
  auto session = Session::start(project, *display, measure, take.screen);
  if (!session) return tl::unexpected(session.error());
  session->setHitTest(test);
  TakeCheck check;
  if (seen) seen(*session, {});
  for (const TakeStep& step : take.steps) {
    if (std::holds_alternative<InputEvent>(step.what)) {
      const auto event = eventOf(step, *session);
      if (!event)
        return fail("line " + std::to_string(step.source),
                    "no button “" + step.on.text + "” on the screen that is open then");
      session->feed(*event);
      if (seen) seen(*session, *event);
    } else {
      session->feed({std::get<Expectation>(step.what).at, InputType::Tick, {}, 0, 0, {}, true});
      check.check(step, session->trace());
    }
  }
  return TakeResult{session->trace(), check.failures()};
}

Take keepAsTake(std::string name, const Session& session, const std::vector<InputEvent>& fed) {
  Take take;
  take.name = std::move(name);
  take.display = session.display().id;
  size_t next = 0;
  const auto& trace = session.trace();
  const auto expectUntil = [&](Ms before) {
    for (; next < trace.size() && trace[next].at < before; ++next) {
      const TraceEntry& entry = trace[next];
      if (entry.type == TraceType::State || entry.type == TraceType::Modality) continue;
      take.steps.push_back({Expectation{entry.at, toLine(entry)}, 0});
    }
  };
  for (const InputEvent& event : fed) {
    if (event.type == InputType::Tick) continue;
    expectUntil(event.at);
    take.steps.push_back({event, 0});
  }
  expectUntil(session.now() + 1);
  return take;
}

}  // namespace bristle
