#include "core/findings/review.h"

#include "core/findings/check.h"
#include "core/findings/rule_info.h"
#include "core/findings/rules.h"

#include <algorithm>
#include <set>

namespace bristle {
namespace {

template <class T>
bool sameParts(const std::vector<Shared<T>>& a, const std::vector<Shared<T>>& b) {
  return std::equal(a.begin(), a.end(), b.begin(), b.end(),
                    [](const Shared<T>& x, const Shared<T>& y) { return x.same(y); });
}

template <class T, class Id>
void addPart(std::vector<Shared<T>>& to, const std::vector<Shared<T>>& all, const Id& id) {
  for (const Shared<T>& part : all)
    if (part->id == id) return to.push_back(part);
}

std::string keyOf(const Finding& f) {
  std::string out(f.rule);
  const std::pair<const char*, const std::string*> kIds[] = {
      {" kind ", &f.kind.text},     {" machine ", &f.machine.text}, {" state ", &f.state.text},
      {" screen ", &f.screen.text}, {" item ", &f.item.text},       {": ", &f.detail}};
  for (const auto& [word, id] : kIds)
    if (!id->empty()) out += word + *id;
  return out;
}

void finish(Findings& found, std::string_view rule) {
  for (Finding& f : found) {
    if (f.rule.empty()) f.rule = rule;
    f.severity = infoOf(f.rule).severity;
    f.key = keyOf(f);
  }
}

}  // namespace

bool Review::Basis::same(const Basis& o) const {
  return sameParts(kinds, o.kinds) && sameParts(machines, o.machines) &&
         sameParts(screens, o.screens) && sameParts(named, o.named) && names == o.names &&
         displays == o.displays && languages == o.languages && values == o.values &&
         settings == o.settings && shortcuts == o.shortcuts && bindings == o.bindings;
}

// One check: each rule for each of its parts.
class Review::Run {
 public:
  Run(Review& review, const Surroundings& around) : review_(review), around_(around) {
    for (const auto& screen : around.project.screens) screens_.push_back(screen->id);
  }

  void rule(size_t index, Findings& out) {
    const Rule& rule = allRules()[index];
    const Project& p = around_.project;
    if (const auto* judge = std::get_if<ProjectRule>(&rule.judge)) {
      Findings found;
      ++review_.looked_;
      (*judge)(around_, found);
      finish(found, rule.name);
      append(out, std::move(found));
    } else if (const auto* kinds = std::get_if<KindRule>(&rule.judge)) {
      for (const auto& kind : p.kinds) part(index, *kind, basisOf(kind), *kinds, out);
    } else if (const auto* machines = std::get_if<MachineRule>(&rule.judge)) {
      for (const auto& machine : p.machines)
        part(index, *machine, basisOf(machine), *machines, out);
    } else if (const auto* screens = std::get_if<ScreenRule>(&rule.judge)) {
      for (const auto& screen : p.screens) part(index, *screen, basisOf(screen), *screens, out);
    }
  }

 private:
  static void append(Findings& out, Findings found) {
    out.insert(out.end(), std::make_move_iterator(found.begin()),
               std::make_move_iterator(found.end()));
  }
  // Names, displays and settings may matter to all of them.
  Basis around() const {
    Basis out;
    out.named = {around_.project.named};
    out.displays = around_.project.displays;
    out.languages = around_.project.languages;
    out.settings = around_.project.settings;
    return out;
  }
  Basis basisOf(const Shared<Kind>& kind) const {
    Basis out = around();
    out.kinds = {kind};
    addPart(out.machines, around_.project.machines, kind->machine);
    return out;
  }
  Basis basisOf(const Shared<Machine>& machine) const {
    Basis out = around();
    out.machines = {machine};
    out.values = around_.project.values;
    return out;
  }
  // The kinds of its buttons, for their sizes; other screens only by whether they are there.
  Basis basisOf(const Shared<Screen>& screen) const {
    Basis out = around();
    out.screens = {screen};
    out.values = around_.project.values;
    out.names = screens_;
    out.shortcuts = around_.project.shortcuts;
    out.bindings = around_.project.bindings;
    std::set<KindId> used;
    for (const auto& item : screen->items)
      if (const ButtonData* button = item->button(); button && used.insert(button->kind).second) {
        addPart(out.kinds, around_.project.kinds, button->kind);
        if (const Kind* kind = find(around_.project, button->kind))
          addPart(out.machines, around_.project.machines, kind->machine);
      }
    return out;
  }

  template <class Part, class Judge>
  void part(size_t index, const Part& part, Basis basis, Judge judge, Findings& out) {
    if (around_.stopped()) return;
    Kept& kept = review_.kept_[{index, part.id.text}];
    if (kept.round == 0 || !kept.basis.same(basis)) {
      ++review_.looked_;
      Findings found;
      judge(around_, part, found);
      finish(found, allRules()[index].name);
      if (around_.stopped()) return append(out, std::move(found));  // not whole: not kept
      kept.basis = std::move(basis);
      kept.found = std::move(found);
    }
    kept.round = review_.round_;
    append(out, kept.found);
  }

  Review& review_;
  const Surroundings& around_;
  std::vector<ScreenId> screens_;
};

Findings Review::check(const Project& project, const Probes& probes) {
  ++round_;
  looked_ = 0;
  const Surroundings around{project, probes.stop, probes.eyes};
  Findings out;
  Run run(*this, around);
  for (size_t i = 0; i < allRules().size() && !around.stopped(); ++i) run.rule(i, out);
  if (around.stopped()) return out;
  std::erase_if(kept_, [&](const auto& entry) { return entry.second.round != round_; });
  Findings files;
  if (probes.sound) checkSounds(project, probes.sound, files);
  finish(files, "sound");
  Findings pictures;
  if (probes.picture) checkPictures(project, probes.picture, pictures);
  finish(pictures, "picture");
  Findings assets;
  if (probes.facts) checkAssets(project, probes, assets);
  finish(assets, "unused");
  for (Findings* more : {&files, &pictures, &assets})
    out.insert(out.end(), more->begin(), more->end());
  const auto& off = project.settings.rulesOff;
  std::erase_if(out, [&](const Finding& f) {
    return std::find(off.begin(), off.end(), f.rule) != off.end();
  });
  return out;
}

Findings check(const Project& project, const Probes& probes) {
  return Review().check(project, probes);
}

}  // namespace bristle
