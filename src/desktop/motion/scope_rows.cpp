#include "desktop/motion/scope_rows.h"

#include <algorithm>

#include "paint/convert.h"

namespace bristle {

std::vector<ScopeRow> rowsOf(const Ready& ready, const Project& project, const Score& score) {
  using Sort = ScopeRow::Sort;
  std::vector<ScopeRow> out;
  const auto lane = [&](Lane l) {
    out.push_back({Sort::Signal, int(l), toQt(std::string(nameOf(l)))});
  };
  for (int l = 0; l < kLaneCount; ++l)
    if (Lane(l) != Lane::Current) lane(Lane(l));
  Minds minds = mindsOf(ready.program);
  for (const Stretch& s : score.stretches) minds.current = minds.current || s.lane == Lane::Current;
  if (minds.current) lane(Lane::Current);
  for (const Moment& m : score.marks) {
    const auto add = [&](auto& all, auto index) {
      if (std::find(all.begin(), all.end(), index) == all.end()) all.push_back(index);
    };
    if (m.step.deed == Deed::Message) add(minds.messages, m.step.index);
    if (m.step.deed == Deed::SetValue) add(minds.values, static_cast<std::uint32_t>(m.step.index));
  }
  for (const int m : minds.messages)
    if (size_t(m) < ready.symbols.messages.size())
      out.push_back({Sort::Message, m, toQt(ready.symbols.messages[size_t(m)])});
  for (const auto v : minds.values) {
    if (v >= ready.symbols.values.size()) continue;
    const ProjectValue* value = find(project, ready.symbols.values[v]);
    out.push_back({Sort::Value, int(v), value ? toQt(value->name) : QString()});
  }
  return out;
}

int markAt(const Score& score, const ScopeRow& row, Ms time, Ms within) {
  int best = -1;
  for (size_t i = 0; i < score.marks.size(); ++i) {
    const LawStep& step = score.marks[i].step;
    if (step.deed != row.deed() || step.index != row.index) continue;
    const Ms off = std::abs(step.at - time);
    if (off > within) continue;
    within = off;
    best = int(i);
  }
  return best;
}

double valueAt(const Score& score, const ScopeRow& row, Ms time, const Ready& ready) {
  double out = size_t(row.index) < ready.values.size() ? ready.values[size_t(row.index)] : 0;
  Ms last = -1;
  for (const Moment& m : score.marks)
    if (m.step.deed == Deed::SetValue && m.step.index == row.index && m.step.at <= time &&
        m.step.at >= last) {
      out = m.step.value;
      last = m.step.at;
    }
  return out;
}

void addMark(Score& score, const ScopeRow& row, Ms time, const Ready& ready) {
  LawStep step{row.deed(), time, row.index, 0};
  if (row.sort == ScopeRow::Sort::Value) step.value = valueAt(score, row, time, ready) == 0 ? 1 : 0;
  const auto after = std::find_if(score.marks.begin(), score.marks.end(),
                                  [&](const Moment& m) { return m.step.at > time; });
  score.marks.insert(after, {step});
}

}  // namespace bristle
