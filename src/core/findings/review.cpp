#include "core/findings/review.h"

#include "core/derive/ground.h"
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

bool Review::Around::operator==(const Around& o) const {
  return named.same(o.named) && displays == o.displays && languages == o.languages &&
         settings == o.settings;
}

bool Review::Basis::same(const Basis& o) const {
  return around == o.around && values == o.values && steps == o.steps && ground == o.ground &&
         sameParts(kinds, o.kinds) && sameParts(machines, o.machines) &&
         sameParts(screens, o.screens);
}

// One check: each rule for each of its parts. What must be looked at is known first, then looked at
// by as many as there are eyes, and put together in the order of the rules.
class Review::Run {
 public:
  Run(Review& review, const Project& project, const Probes& probes)
      : review_(review), project_(project), probes_(probes) {
    std::vector<ScreenId> screens;
    for (const auto& screen : project.screens) screens.push_back(screen->id);
    review.around_.look({project.named, project.displays, project.languages, project.settings});
    review.values_.look(project.values);
    review.steps_.look({std::move(screens), project.shortcuts, project.bindings});
    const auto grounds = groundsOf(project);
    for (const auto& kind : project.kinds) {
      Basis basis = basisOf(kind);
      if (const auto at = grounds.find(kind->id); at != grounds.end()) basis.ground = at->second;
      kinds_.push_back(&kept(Sort::Kind, kind->id.text, std::move(basis)));
    }
    for (const auto& machine : project.machines)
      machines_.push_back(&kept(Sort::Machine, machine->id.text, basisOf(machine)));
    for (const auto& screen : project.screens)
      screens_.push_back(&kept(Sort::Screen, screen->id.text, basisOf(screen)));
    for (size_t i = 0; i < allRules().size(); ++i) plan(i);
  }

  Findings all() {
    look();
    Findings out;
    for (Job& job : jobs_) {
      review_.looked_ += job.whole;
      // What is not whole is told, and not kept.
      if (job.kept && job.whole) job.kept->found[job.rule] = std::move(job.found);
      append(out, job.kept && !job.isOpen() ? job.kept->found[job.rule] : std::move(job.found));
    }
    return out;
  }

 private:
  using Judge = std::function<void(const Surroundings&, Findings&)>;
  struct Job {
    size_t rule = 0;
    Judge judge = {};      // none: what is kept holds
    Kept* kept = nullptr;  // none: it is never kept
    Findings found = {};
    bool whole = false;
    bool isOpen() const { return judge && !whole; }
  };

  // What is kept of a part, as far as it holds.
  Kept& kept(Sort sort, const std::string& id, Basis basis) {
    Kept& out = review_.kept_[{sort, id}];
    if (out.round == 0 || !out.basis.same(basis)) {
      out.found.clear();
      out.basis = std::move(basis);
    }
    out.round = review_.round_;
    return out;
  }

  void plan(size_t rule) {
    const auto& judge = allRules()[rule].judge;
    const Project& p = project_;
    if (const auto* project = std::get_if<ProjectRule>(&judge))
      add(nullptr, {.rule = rule, .judge = *project});
    else if (const auto* kinds = std::get_if<KindRule>(&judge))
      parts(rule, p.kinds, kinds_, *kinds);
    else if (const auto* machines = std::get_if<MachineRule>(&judge))
      parts(rule, p.machines, machines_, *machines);
    else if (const auto* screens = std::get_if<ScreenRule>(&judge))
      parts(rule, p.screens, screens_, *screens);
  }

  template <class Part, class JudgePart>
  void parts(size_t rule, const std::vector<Shared<Part>>& all, const std::vector<Kept*>& kept,
             JudgePart judge) {
    for (size_t i = 0; i < all.size(); ++i) {
      const Part& part = *all[i];
      if (kept[i]->found.count(rule))
        jobs_.push_back({.rule = rule, .kept = kept[i]});
      else
        add(&part, {.rule = rule,
                    .judge = [judge, &part](const Surroundings& around,
                                            Findings& out) { judge(around, part, out); },
                    .kept = kept[i]});
    }
  }

  // All that is asked of one part is asked by the same eyes, one after the other: what they have
  // seen of it serves again.
  void add(const void* part, Job job) {
    job.judge = [judge = std::move(job.judge), name = allRules()[job.rule].name](
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
  Basis basisOf(const Shared<Kind>& kind) const {
    Basis out{.kinds = {kind}, .around = review_.around_.count};
    addPart(out.machines, project_.machines, kind->machine);
    return out;
  }
  Basis basisOf(const Shared<Machine>& machine) const {
    return {
        .machines = {machine}, .around = review_.around_.count, .values = review_.values_.count};
  }
  // The kinds of its buttons, for their sizes; other screens only by whether they are there.
  Basis basisOf(const Shared<Screen>& screen) const {
    Basis out{.screens = {screen},
              .around = review_.around_.count,
              .values = review_.values_.count,
              .steps = review_.steps_.count};
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
  std::vector<Kept*> kinds_, machines_, screens_;  // of each of the project's
  std::vector<Job> jobs_;                          // in the order of the rules
  std::vector<std::vector<size_t>> groups_;        // of jobs, by the part that they are about
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
