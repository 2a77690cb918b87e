#include "core/findings/review.h"

#include "core/findings/check.h"
#include "core/findings/rule_info.h"
#include "core/findings/rules.h"

#include <algorithm>
#include <atomic>
#include <functional>
#include <set>
#include <thread>

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

// One check: each rule for each of its parts. What must be looked at is known first, then looked at
// by as many as there are eyes, and put together in the order of the rules.
class Review::Run {
 public:
  Run(Review& review, const Project& project, const Probes& probes)
      : review_(review), project_(project), probes_(probes) {
    for (const auto& screen : project.screens) screens_.push_back(screen->id);
    for (size_t i = 0; i < allRules().size(); ++i) plan(i);
  }

  Findings all() {
    look();
    Findings out;
    for (Job& job : jobs_) {
      review_.looked_ += job.whole;
      // What is not whole is told, and not kept.
      if (job.kept && job.whole) {
        job.kept->basis = std::move(job.basis);
        job.kept->found = std::move(job.found);
      }
      append(out, job.kept && !job.isOpen() ? job.kept->found : std::move(job.found));
    }
    return out;
  }

 private:
  using Judge = std::function<void(const Surroundings&, Findings&)>;
  struct Job {
    Judge judge = {};      // none: what is kept holds
    Kept* kept = nullptr;  // none: it is never kept
    Basis basis = {};
    Findings found = {};
    bool whole = false;
    bool isOpen() const { return judge && !whole; }
  };

  void plan(size_t index) {
    const Rule& rule = allRules()[index];
    const Project& p = project_;
    if (const auto* judge = std::get_if<ProjectRule>(&rule.judge))
      add(index, nullptr, {.judge = *judge});
    else if (const auto* kinds = std::get_if<KindRule>(&rule.judge))
      for (const auto& kind : p.kinds) part(index, *kind, basisOf(kind), *kinds);
    else if (const auto* machines = std::get_if<MachineRule>(&rule.judge))
      for (const auto& machine : p.machines) part(index, *machine, basisOf(machine), *machines);
    else if (const auto* screens = std::get_if<ScreenRule>(&rule.judge))
      for (const auto& screen : p.screens) part(index, *screen, basisOf(screen), *screens);
  }

  template <class Part, class JudgePart>
  void part(size_t index, const Part& part, Basis basis, JudgePart judge) {
    Kept& kept = review_.kept_[{index, part.id.text}];
    const bool holds = kept.round != 0 && kept.basis.same(basis);
    kept.round = review_.round_;
    if (holds) return jobs_.push_back({.kept = &kept});
    add(index, &part,
        {.judge = [judge, &part](const Surroundings& around,
                                 Findings& out) { judge(around, part, out); },
         .kept = &kept,
         .basis = std::move(basis)});
  }

  // All that is asked of one part is asked by the same eyes, one after the other: what they have
  // seen of it serves again.
  void add(size_t index, const void* part, Job job) {
    job.judge = [judge = std::move(job.judge), name = allRules()[index].name](
                    const Surroundings& around, Findings& out) {
      judge(around, out);
      finish(out, name);
    };
    const auto [at, fresh] = groupOf_.try_emplace(part, groups_.size());
    if (fresh) groups_.emplace_back();
    groups_[at->second].push_back(jobs_.size());
    jobs_.push_back(std::move(job));
  }

  void look() {
    std::vector<std::thread> helpers;
    // For a few parts no other thread is woken.
    constexpr size_t kFew = 3;
    if (groups_.size() > kFew)
      for (Eyes* eyes : probes_.moreEyes) helpers.emplace_back([this, eyes] { lookWith(eyes); });
    lookWith(probes_.eyes);
    for (std::thread& helper : helpers) helper.join();
  }

  void lookWith(Eyes* eyes) {
    const Surroundings around{project_, probes_.stop, eyes};
    for (size_t g; (g = next_.fetch_add(1)) < groups_.size();)
      for (const size_t j : groups_[g]) {
        if (around.stopped()) return;
        Job& job = jobs_[j];
        job.judge(around, job.found);
        job.whole = !around.stopped();
      }
  }

  static void append(Findings& out, Findings found) {
    out.insert(out.end(), std::make_move_iterator(found.begin()),
               std::make_move_iterator(found.end()));
  }
  // Names, displays and settings may matter to all of them.
  Basis around() const {
    Basis out;
    out.named = {project_.named};
    out.displays = project_.displays;
    out.languages = project_.languages;
    out.settings = project_.settings;
    return out;
  }
  Basis basisOf(const Shared<Kind>& kind) const {
    Basis out = around();
    out.kinds = {kind};
    addPart(out.machines, project_.machines, kind->machine);
    return out;
  }
  Basis basisOf(const Shared<Machine>& machine) const {
    Basis out = around();
    out.machines = {machine};
    out.values = project_.values;
    return out;
  }
  // The kinds of its buttons, for their sizes; other screens only by whether they are there.
  Basis basisOf(const Shared<Screen>& screen) const {
    Basis out = around();
    out.screens = {screen};
    out.values = project_.values;
    out.names = screens_;
    out.shortcuts = project_.shortcuts;
    out.bindings = project_.bindings;
    std::set<KindId> used;
    for (const auto& item : screen->items)
      if (const ButtonData* button = item->button(); button && used.insert(button->kind).second) {
        addPart(out.kinds, project_.kinds, button->kind);
        if (const Kind* kind = find(project_, button->kind))
          addPart(out.machines, project_.machines, kind->machine);
      }
    return out;
  }

  Review& review_;
  const Project& project_;
  const Probes& probes_;
  std::vector<ScreenId> screens_;
  std::vector<Job> jobs_;                    // in the order of the rules
  std::vector<std::vector<size_t>> groups_;  // of jobs, by the part that they are about
  std::map<const void*, size_t> groupOf_;
  std::atomic<size_t> next_ = 0;
};

Findings Review::check(const Project& project, const Probes& probes) {
  ++round_;
  looked_ = 0;
  Findings out = Run(*this, project, probes).all();
  if (probes.stop && *probes.stop) return out;
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
