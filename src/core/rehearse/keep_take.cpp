#include "core/rehearse/keep_take.h"

#include <algorithm>
#include <optional>
#include <set>

#include "core/rehearse/reel.h"
#include "runtime/session/take_player.h"

namespace bristle {
namespace {

// The button that a pointer's event is on, where its middle would do as well.
std::optional<std::string> buttonUnder(const Session& session, const InputEvent& e,
                                       const HitTest* test) {
  if (!isPointerEvent(e.type) || session.stack().empty()) return {};
  const ScreenRun& top = session.stack().back();
  const int box = top.boxAt(e.x, e.y, test);
  if (box < 0) return {};
  const Box& all = top.routes.input.boxes[size_t(box)];
  if (top.boxAt(all.x + all.w / 2, all.y + all.h / 2, test) != box) return {};
  return top.buttons[size_t(box)].item->id.text;
}

struct Walked {
  std::vector<InputEvent> events;  // at their times in the take
  ScreenId screen;                 // that was on top where it begins
};

// What was fed between the two times, each pointer's event with the name of its button where
// `byName`.
Walked walk(const Reel& reel, Ms from, Ms until, bool byName, const HitTest* test) {
  Walked out;
  Session session = reel.begun();
  std::optional<InputEvent> last;  // of a pointer, as it is kept
  for (InputEvent e : reel.fed()) {
    if (e.at > until || session.ended()) break;
    session.feed({.at = e.at});
    if (!out.screen && e.at >= from && !session.stack().empty())
      out.screen = session.stack().back().screen->id;
    const InputEvent raw = e;
    if (e.at >= from && e.type != InputType::Tick) {
      const auto name = byName ? buttonUnder(session, e, test) : std::nullopt;
      if (name) {
        e.name = *name;
        e.x = e.y = 0;
      }
      e.at -= from;
      const bool again = last && name && e.type == InputType::Point && last->name == e.name &&
                         last->source() == e.source();
      if (!again) out.events.push_back(e);
      if (isPointerEvent(e.type)) last = e;
    }
    session.feed(raw);
    session.drainTrace();
  }
  return out;
}

// What is done, as against what is looked at on the way there.
bool isDone(const TraceEntry& entry) {
  switch (entry.type) {
    case TraceType::Focus:
    case TraceType::State:
    case TraceType::Sound:
    case TraceType::Modality:
    case TraceType::Scroll:
      return false;
    default:
      return true;
  }
}

// All but the states, which follow from the rest, and the device. Where a pointer rests, and what
// it is heard by, is another place on each display: of pointers only what is done.
std::vector<Expectation> expectedOf(std::span<const TraceEntry> trace) {
  std::vector<Expectation> out;
  bool pointer = false;
  for (const TraceEntry& entry : trace) {
    if (entry.type == TraceType::Modality) pointer = entry.how == "mouse" || entry.how == "touch";
    if (entry.type == TraceType::State || entry.type == TraceType::Modality) continue;
    if (!pointer || isDone(entry)) out.push_back({entry.at, toLine(entry)});
  }
  return out;
}

// Events and expectations in the order of their times; at one time what happens comes after what it
// comes of.
void fill(Take& take, const std::vector<InputEvent>& events,
          const std::vector<Expectation>& expected) {
  take.steps.clear();
  size_t next = 0;
  for (const InputEvent& e : events) {
    for (; next < expected.size() && expected[next].at < e.at; ++next)
      take.steps.push_back({expected[next], 0});
    take.steps.push_back({e, 0});
  }
  for (; next < expected.size(); ++next) take.steps.push_back({expected[next], 0});
}

// Until a time, as a tick at it brings it about.
Result<std::vector<TraceEntry>> traceOf(const Project& project, Take take, Ms until,
                                        const TextMeasure& measure, const HitTest* test) {
  InputEvent end;
  end.at = until;
  take.steps.push_back({end, 0});
  auto result = play(project, take, measure, test);
  if (!result) return tl::unexpected(result.error());
  return std::move(result->trace);
}

std::vector<std::string> doneLines(std::span<const TraceEntry> trace) {
  std::vector<std::string> out;
  for (const TraceEntry& entry : trace)
    if (isDone(entry)) out.push_back(std::to_string(entry.at) + toLine(entry));
  return out;
}

}  // namespace

Take takeLike(const Session& session, std::string name, std::string about) {
  Take take;
  take.name = std::move(name);
  take.about = std::move(about);
  take.display = session.display().id;
  const auto& languages = session.project().languages;
  if (!languages.empty() && session.language() != languages.front().id)
    take.language = session.language();
  if (session.first() != session.project().first) take.screen = session.first();
  return take;
}

Result<Take> keepTake(const Reel& reel, const KeepTake& what, const TextMeasure& measure,
                      const HitTest* test) {
  const Ms until = std::min(what.until, reel.end());
  if (what.from > until) return fail("the take", "it ends before it begins");
  const Project& project = reel.session().project();
  Take take = takeLike(reel.session(), what.name, what.about);
  std::vector<TraceEntry> trace;
  for (const bool byName : {true, false}) {
    const Walked walked = walk(reel, what.from, until, byName, test);
    if (what.from > 0 && walked.screen) take.screen = walked.screen;
    fill(take, walked.events, {});
    auto again = traceOf(project, take, until - what.from, measure, test);
    if (!again) return tl::unexpected(again.error());
    trace = std::move(*again);
    // By names only where the same is done as was.
    const auto happened = std::upper_bound(reel.trace().begin(), reel.trace().end(), until,
                                           [](Ms t, const TraceEntry& e) { return t < e.at; });
    if (what.from > 0 || doneLines(trace) == doneLines({reel.trace().begin(), happened})) break;
  }
  std::vector<Expectation> expected;
  if (what.expected.empty()) expected = expectedOf(trace);
  for (const size_t index : what.expected) {
    const TraceEntry& entry = reel.trace()[index];
    if (entry.at < what.from || entry.at > until) continue;
    const Expectation wanted{entry.at - what.from, toLine(entry)};
    if (std::none_of(trace.begin(), trace.end(), [&](const TraceEntry& e) {
          return e.at == wanted.at && toLine(e) == wanted.line;
        }))
      return fail("the take", "“" + toLine(entry, project) +
                                  "” does not happen in it where it begins that late");
    expected.push_back(wanted);
  }
  std::vector<InputEvent> events;
  for (const TakeStep& step : take.steps) events.push_back(std::get<InputEvent>(step.what));
  fill(take, events, expected);
  return take;
}

Result<Take> withWhatHappens(const Project& project, Take take, const TextMeasure& measure,
                             const HitTest* test) {
  for (size_t i = 0; i < take.steps.size(); ++i) take.steps[i].source = static_cast<int>(i) + 1;
  const auto result = play(project, take, measure, test);
  if (!result) return tl::unexpected(result.error());
  const auto sort = [](const std::string& line) { return line.substr(0, line.find(' ')); };
  std::set<int> gone;
  for (const TakeFailure& failure : result->failures) {
    auto& expected = std::get<Expectation>(take.steps[size_t(failure.source) - 1].what);
    const auto instead =
        std::find_if(failure.happened.rbegin(), failure.happened.rend(),
                     [&](const std::string& line) { return sort(line) == sort(expected.line); });
    if (instead == failure.happened.rend())
      gone.insert(failure.source);
    else
      expected.line = *instead;
  }
  std::erase_if(take.steps, [&](const TakeStep& step) { return gone.contains(step.source); });
  // What came instead of one may have come before what another one still expects.
  for (;;) {
    const auto again = play(project, take, measure, test);
    if (!again) return tl::unexpected(again.error());
    if (again->failures.empty()) return take;
    const int first = again->failures.front().source;
    std::erase_if(take.steps, [&](const TakeStep& step) { return step.source == first; });
  }
}

}  // namespace bristle
