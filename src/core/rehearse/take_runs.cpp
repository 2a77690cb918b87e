#include "core/rehearse/take_runs.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/formats/markup.h"
#include "runtime/session/take_player.h"

namespace bristle {
namespace {

constexpr size_t kMostTold = 10;  // lines of what happened

template <class Id, class Parts>
std::vector<Id> idsOf(std::span<const Id> chosen, const Parts& parts) {
  std::vector<Id> out(chosen.begin(), chosen.end());
  if (out.empty())
    for (const auto& part : parts) out.push_back(part.id);
  return out;
}

template <class Id>
bool holds(const std::vector<Id>& all, const Id& id) {
  return std::find(all.begin(), all.end(), id) != all.end();
}

std::string caseOf(const Project& project, const TakeRun& run) {
  const Display* display = find(project, run.display);
  return fmt::format("{} · {}", display ? display->name : run.display.text,
                     languageOf(project, run.language).name);
}

std::string junitCase(const Project& project, const Take& take, const TakeRun& run) {
  std::string out = fmt::format("    <testcase classname=\"{}\" name=\"{}\"", escaped(take.name),
                                escaped(caseOf(project, run)));
  switch (run.end) {
    case TakeEnd::Passed:
      return out + "/>\n";
    case TakeEnd::LeftOut:
      return out + "><skipped/></testcase>\n";
    case TakeEnd::Stopped:
      return out + fmt::format("><error message=\"{}\"/></testcase>\n", escaped(run.why));
    case TakeEnd::Failed:
      break;
  }
  return out + fmt::format("><failure message=\"expected {}\">{}</failure></testcase>\n",
                           escaped(run.failures.front().expected), escaped(wordsFor(run)));
}

}  // namespace

std::vector<TakeRun> runsOf(const Project& project, std::span<const Take> takes,
                            std::span<const DisplayId> displays,
                            std::span<const LanguageId> languages) {
  std::vector<TakeRun> out;
  for (size_t t = 0; t < takes.size(); ++t)
    for (const DisplayId& display : idsOf(displays, project.displays))
      for (const LanguageId& language : idsOf(languages, project.languages)) {
        const bool out_of = holds(takes[t].notOn, display) || holds(takes[t].notIn, language);
        out.push_back({t, display, language, out_of ? TakeEnd::LeftOut : TakeEnd::Passed});
      }
  return out;
}

void run(TakeRun& it, const Project& project, const Take& take, const TextMeasure& measure,
         const HitTest* test) {
  if (it.end == TakeEnd::LeftOut) return;
  Take there = take;
  there.display = it.display;
  there.language = it.language;
  auto failures = playThrough(project, there, measure, test, [](const TraceEntry&) {});
  if (!failures) {
    it.end = TakeEnd::Stopped;
    it.why = failures.error().text();
    return;
  }
  it.end = failures->empty() ? TakeEnd::Passed : TakeEnd::Failed;
  it.failures = std::move(*failures);
}

std::string wordsFor(const TakeRun& run) {
  if (run.end == TakeEnd::Stopped) return run.why;
  std::string out;
  for (const TakeFailure& f : run.failures) {
    out += fmt::format("line {}: expected “{}”; ", f.source, f.expected);
    if (f.happened.empty()) out += "nothing happened since the last expectation\n";
    for (size_t i = 0; i < f.happened.size() && i < kMostTold; ++i)
      out += (i ? "    " : "since then:\n    ") + f.happened[i] + "\n";
  }
  return out;
}

std::string junit(const Project& project, std::span<const Take> takes,
                  std::span<const TakeRun> runs) {
  std::string out =
      fmt::format("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<testsuites name=\"{}\">\n",
                  escaped(project.name));
  for (size_t t = 0; t < takes.size(); ++t) {
    const auto count = [&](TakeEnd end) {
      return std::count_if(runs.begin(), runs.end(),
                           [&](const TakeRun& r) { return r.take == t && r.end == end; });
    };
    const auto all =
        std::count_if(runs.begin(), runs.end(), [&](const TakeRun& r) { return r.take == t; });
    out += fmt::format(
        "  <testsuite name=\"{}\" tests=\"{}\" failures=\"{}\" errors=\"{}\" skipped=\"{}\">\n",
        escaped(takes[t].name), all, count(TakeEnd::Failed), count(TakeEnd::Stopped),
        count(TakeEnd::LeftOut));
    for (const TakeRun& each : runs)
      if (each.take == t) out += junitCase(project, takes[t], each);
    out += "  </testsuite>\n";
  }
  return out + "</testsuites>\n";
}

}  // namespace bristle
