#include "core/formats/score_file.h"

#include <algorithm>

#include "core/laws/check.h"
#include "runtime/formats/json_lines.h"

namespace bristle {
namespace {

struct Subject {
  const Machine& machine;
  Ready ready;
};

Result<Subject> subjectOf(const KindId& id, const Project& project) {
  const Kind* kind = find(project, id);
  const Machine* machine = kind ? find(project, kind->machine) : nullptr;
  if (!machine) return fail("line 1", "the project has no kind “" + id.text + "”");
  auto ready = makeReady(*machine, project);
  if (!ready) return tl::unexpected(ready.error());
  return Subject{*machine, std::move(*ready)};
}

void readDeed(JsonReader& r, const Json& json, Symbols& symbols, LawStep& step) {
  const JsonPlace top;
  const std::string what = r.text(json, top, "do");
  const auto known = parseDeed(what);
  if (!known || *known == Deed::Wait)
    return r.complain({&top, "do", 0, false},
                      "expected what happens, such as over or press, found “" + what + "”");
  step.deed = *known;
  if (step.deed == Deed::Release || step.deed == Deed::Cancel)
    step.index = r.text(json, top, "by") == "accept" ? 1 : 0;
  if (step.deed == Deed::Message) step.index = symbols.messageIndex(r.id(json, top, "message"));
  if (step.deed != Deed::SetValue) return;
  const std::string id = r.id(json, top, "value");
  step.index = symbols.valueIndex({id});
  step.value = r.number(json, top, "to", 0);
  if (step.index < 0)
    r.complain({&top, "value", 0, false}, "the project has no value “" + id + "”");
}

}  // namespace

bool isKeptScore(std::string_view text) {
  const auto first = parseJson(text.substr(0, text.find('\n')));
  return first && first->is_object() && first->contains("kind");
}

Result<KeptScore> parseScore(std::string_view text, const Project& project) {
  KeptScore out;
  Sequence steps;
  std::optional<Subject> subject;
  Ms length = 0, last = 0;
  const auto done =
      eachJsonLine(text, [&](JsonReader& r, const Json& json, int number) -> std::string {
        const JsonPlace top;
        if (!subject) {
          if (r.number(json, top, "take", 0) != 1 || !r.member(json, "kind"))
            return "expected the header of a take of a kind, {\"take\":1, \"kind\": …}";
          out.name = r.text(json, top, "name");
          out.kind = {r.id(json, top, "kind")};
          length = static_cast<Ms>(r.number(json, top, "length", 0, 0, 60'000));
          auto made = subjectOf(out.kind, project);
          if (!made) return made.error().reason;
          subject.emplace(std::move(*made));
          return {};
        }
        LawStep step{Deed::Wait, r.milliseconds(json, top, "at", 0), 0, 0};
        if (step.at < last) return "expected a time of " + std::to_string(last) + " ms or later";
        if (step.at > 60'000) return "a take of a kind lasts 60 000 ms at most";
        last = step.at;
        if (r.member(json, "expect")) {
          out.expected.push_back({Expectation{step.at, r.text(json, top, "expect")}, number});
          return {};
        }
        readDeed(r, json, subject->ready.symbols, step);
        steps.push_back(step);
        return {};
      });
  if (!done) return tl::unexpected(done.error());
  if (!subject) return fail("line 1", "expected a take's header; the file is empty");
  out.score = scoreAsKept(steps);
  out.score.length = std::max({length, last, Ms{200}});
  return out;
}

Result<std::string> writeScore(const std::string& name, const KindId& kind, const Score& score,
                               const Project& project) {
  const auto subject = subjectOf(kind, project);
  if (!subject) return tl::unexpected(subject.error());
  const Symbols& symbols = subject->ready.symbols;
  struct Line {
    Ms at;
    int order;
    Json json;
  };
  std::vector<Line> lines;
  for (const LawStep& step : sequenceOf(score)) {
    Json json{{"at", step.at}, {"do", nameOf(step.deed)}};
    if (step.deed == Deed::Release || step.deed == Deed::Cancel)
      json["by"] = step.index ? "accept" : "press";
    if (step.deed == Deed::Message) json["message"] = symbols.messages[size_t(step.index)];
    if (step.deed == Deed::SetValue) {
      json["value"] = symbols.values[size_t(step.index)].text;
      json["to"] = step.value;
    }
    lines.push_back({step.at, 0, std::move(json)});
  }
  for (const Outcome& o : play(subject->ready.program, subject->ready.values, score).outcomes)
    lines.push_back({o.at, 1, {{"at", o.at}, {"expect", toLine(o, subject->machine, symbols)}}});
  std::stable_sort(lines.begin(), lines.end(), [](const Line& a, const Line& b) {
    return std::pair(a.at, a.order) < std::pair(b.at, b.order);
  });
  const Json header{{"take", 1}, {"name", name}, {"kind", kind.text}, {"length", score.length}};
  std::string out = header.dump() + "\n";
  for (const Line& line : lines) out += line.json.dump() + "\n";
  return out;
}

Result<std::vector<std::string>> playKept(const KeptScore& kept, const Project& project,
                                          std::vector<TakeFailure>& failures) {
  const auto subject = subjectOf(kept.kind, project);
  if (!subject) return tl::unexpected(subject.error());
  std::vector<std::string> lines, out;
  std::vector<Ms> times;
  for (const Outcome& o :
       play(subject->ready.program, subject->ready.values, kept.score).outcomes) {
    lines.push_back(toLine(o, subject->machine, subject->ready.symbols));
    times.push_back(o.at);
    out.push_back(std::to_string(o.at) + "\t" + lines.back());
  }
  size_t cursor = 0;
  for (const TakeStep& step : kept.expected) {
    const auto& wanted = std::get<Expectation>(step.what);
    size_t at = cursor;
    while (at < lines.size() && times[at] <= wanted.at && lines[at] != wanted.line) ++at;
    if (at < lines.size() && times[at] <= wanted.at) {
      cursor = at + 1;
      continue;
    }
    TakeFailure failure{step.source, wanted.line, {}};
    for (size_t i = cursor; i < lines.size() && times[i] <= wanted.at; ++i)
      failure.happened.push_back(lines[i]);
    failures.push_back(std::move(failure));
  }
  return out;
}

}  // namespace bristle
