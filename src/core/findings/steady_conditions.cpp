// Conditions that can be answered, and whose answer never changes.
#include <fmt/format.h>

#include "core/edit/screen_edits.h"
#include "core/findings/condition_place.h"
#include "core/findings/rules.h"
#include "core/laws/formula_bounds.h"
#include "runtime/machine/condition.h"

namespace bristle {
namespace {

constexpr size_t kMostTried = 20'000;  // valuations of one condition

// One number for each region in which a condition's answer is the same: its bounds, and one between
// each two (behaviour.md §2), as far as the value's limits let it come there.
std::vector<double> membersOf(const std::set<double>& bounds, const ProjectValue& value) {
  std::vector<double> out;
  if (value.sort == ValueSort::Flag) return {0, 1};
  if (value.sort == ValueSort::Choice) {
    for (size_t i = 0; i < value.options.size(); ++i) out.push_back(double(i));
    return out;
  }
  const auto add = [&](double at) {
    if (value.least && at < *value.least) at = *value.least;
    if (value.most && at > *value.most) at = *value.most;
    out.push_back(at);
  };
  add(value.start);
  for (auto at = bounds.begin(); at != bounds.end(); ++at) {
    add(*at);
    add(at == bounds.begin() ? *at - 1 : (*std::prev(at) + *at) / 2);
  }
  if (!bounds.empty()) add(*bounds.rbegin() + 1);
  return out;
}

// Whether it always holds (true) or never does (false); nothing where it may do either, or nobody
// can tell.
std::optional<bool> steadyAnswer(const Project& project, const std::string& text) {
  const Symbols symbols = conditionSymbols(project, text);
  const auto formula = compileCondition(text, symbols);
  if (!formula || formula->always()) return {};
  ValueBounds bounds;
  addBounds(*formula, bounds);
  if (!bounds.solved || bounds.at.empty()) return {};
  std::vector<std::pair<std::uint32_t, std::vector<double>>> tried;
  size_t all = 1;
  for (const auto& [index, at] : bounds.at) {
    const bool isMark = index >= project.values.size();  // been there or not, open or not
    tried.emplace_back(index,
                       isMark ? std::vector<double>{0, 1} : membersOf(at, project.values[index]));
    if (tried.back().second.empty()) return {};
    all *= tried.back().second.size();
    if (all > kMostTried) return {};
  }
  std::vector<double> values = startValues(project, symbols);
  std::optional<bool> out;
  for (size_t n = 0; n < all; ++n) {
    size_t rest = n;
    for (const auto& [index, members] : tried) {
      values[index] = members[rest % members.size()];
      rest /= members.size();
    }
    const bool holds = formula->holds({}, values);
    if (out && *out != holds) return {};
    out = holds;
  }
  return out;
}

}  // namespace

void checkSteadyConditions(const Surroundings& around, const Screen& screen, Findings& out) {
  for (const auto& item : screen.items) {
    size_t index = 0;
    eachCondition(*item, [&](const std::string& text) {
      const size_t here = index++;
      if (text.empty() || around.stopped()) return;
      const auto answer = steadyAnswer(around.project, text);
      if (!answer) return;
      out.push_back(
          {.place = fmt::format("{} · {}", screen.name, displayName(*item)),
           .reason = fmt::format("{}, “{}” {}, whatever the values are", purposeOf(*item, here),
                                 text, *answer ? "always holds" : "can never hold"),
           .screen = screen.id,
           .item = item->id,
           .detail = std::to_string(here),
           .mends = {clearCondition(screen, *item, here)}});
    });
  }
}

}  // namespace bristle
