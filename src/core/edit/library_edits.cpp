#include "core/edit/library_edits.h"

#include <algorithm>

#include "runtime/document/map_names.h"
#include "runtime/machine/formula_words.h"

namespace bristle {
namespace {

void collect(const Timing& timing, std::set<NamedId>& names) {
  if (timing.namedDuration) names.insert(timing.namedDuration);
  if (timing.namedEasing) names.insert(timing.namedEasing);
}

// The names that kinds and their machines use, with others, and those which these stand for.
std::set<NamedId> namesOf(const Project& project, const std::vector<KindId>& kinds,
                          std::set<NamedId> out = {}) {
  for (const KindId& id : kinds) {
    const Kind* kind = find(project, id);
    if (!kind) continue;
    collectNames(kind->base, out);
    for (const auto& entry : kind->departures) collectNames(entry.second, out);
    if (const Machine* machine = find(project, kind->machine))
      eachTiming(*machine, [&](const Timing& timing) { collect(timing, out); });
  }
  for (size_t before = 0; before != out.size();) {
    before = out.size();
    for (const NamedValue& named : *project.named) {
      if (!out.contains(named.id)) continue;
      const auto add = [&](const NamedId& id) { out.insert(id); };
      eachName(named.value, add);
      if (named.dark) eachName(*named.dark, add);
    }
  }
  return out;
}

// Whether two kinds look the same, whatever their ids are.
bool sameLook(const Kind& a, const Kind& b) {
  Kind x = a;
  x.id = b.id;
  x.machine = b.machine;
  return x == b;
}

// By the ids of one project, values that have the same name in another.
using SameNames = std::map<NamedId, NamedId>;
SameNames sameNames(const Project& from, const Project& to) {
  SameNames out;
  for (const NamedValue& theirs : *from.named)
    if (const NamedValue* mine = naming(to).find(theirs.name)) out[theirs.id] = mine->id;
  return out;
}
Value mapped(Value value, const SameNames& ids) {
  return mappedNames(std::move(value), [&](const NamedId& id) {
    const auto at = ids.find(id);
    return at == ids.end() ? id : at->second;
  });
}
LookValues mapped(const LookValues& values, const SameNames& ids) {
  LookValues out;
  for (const auto& [key, value] : values) out.set(key, mapped(value, ids));
  return out;
}
Kind mapped(Kind kind, const SameNames& ids) {
  kind.base = mapped(kind.base, ids);
  for (auto& entry : kind.departures) entry.second = mapped(entry.second, ids);
  return kind;
}
bool sameValue(const NamedValue& theirs, const NamedValue& mine, const SameNames& ids) {
  const auto same = [&](const std::optional<Value>& a, const std::optional<Value>& b) {
    return a.has_value() == b.has_value() && (!a || mapped(*a, ids) == *b);
  };
  return theirs.type == mine.type && same(theirs.value, mine.value) && same(theirs.dark, mine.dark);
}

class Taking {
 public:
  Taking(const Project& before, const Project& library,
         const std::map<LibraryConflict, OnConflict>& answers)
      : after_(before), library_(library), answers_(answers) {}

  Result<Taken> run(const Wanted& wanted) {
    takeNames(namesOf(library_, wanted.kinds, wanted.names));
    for (const KindId& id : wanted.kinds) {
      const Kind* kind = find(library_, id);
      if (!kind || !find(library_, kind->machine))
        return fail({}, "the library has no such kind, or not its machine");
      takeKind(*kind);
    }
    for (const ValueId& id : wanted.values) values_[id] = takeValue(id);
    // Parts and states keep the ids that they came with.
    after_.lastId = highestId(after_);
    return Taken{std::move(after_), std::move(kinds_), std::move(names_), std::move(values_)};
  }

 private:
  OnConflict answer(LibraryConflict::Sort sort, const std::string& name) const {
    const auto at = answers_.find({sort, name});
    return at == answers_.end() ? OnConflict::Both : at->second;
  }

  void takeNames(const std::set<NamedId>& ids) {
    for (const NamedValue& theirs : *library_.named) {
      if (!ids.contains(theirs.id)) continue;
      const NamedValue* mine = naming(after_).find(theirs.name);
      // A name of another type cannot serve: both stay.
      auto how = mine ? answer(LibraryConflict::Sort::Named, theirs.name) : OnConflict::Both;
      const bool equal = mine && sameValue(theirs, *mine, sameNames(library_, after_));
      if (mine && mine->type != theirs.type) how = OnConflict::Both;
      if (mine && (equal || how != OnConflict::Both)) {
        names_[theirs.id] = mine->id;
        if (how == OnConflict::Theirs) written_.push_back({mine->id, &theirs});
        continue;
      }
      std::vector<std::string> taken;
      for (const NamedValue& n : *after_.named) taken.push_back(n.name);
      NamedValue copy = theirs;
      for (int n = 2; std::find(taken.begin(), taken.end(), copy.name) != taken.end(); ++n)
        copy.name = theirs.name + "-" + std::to_string(n);
      copy.id = freshId<NamedId>(after_, "n");
      names_[theirs.id] = copy.id;
      written_.push_back({copy.id, &theirs});
      after_.named.edit().push_back(std::move(copy));
    }
    for (const auto& [id, theirs] : written_)
      for (NamedValue& named : after_.named.edit()) {
        if (named.id != id) continue;
        named.value = theirs->value;
        named.dark = theirs->dark;
        here(named.value);
        if (named.dark) here(*named.dark);
      }
  }

  void here(Value& value) const {
    value = mappedNames(std::move(value), [&](const NamedId& id) {
      const auto at = names_.find(id);
      return at == names_.end() ? id : at->second;
    });
  }
  LookValues here(const LookValues& values) const {
    LookValues out;
    for (const auto& [key, value] : values) {
      Value copy = value;
      here(copy);
      out.set(key, std::move(copy));
    }
    return out;
  }
  void here(Timing& timing) const {
    for (NamedId* id : {&timing.namedDuration, &timing.namedEasing})
      if (const auto at = names_.find(*id); at != names_.end()) *id = at->second;
  }

  MachineId takeMachine(const Machine& theirs) {
    const auto [at, fresh] = machines_.try_emplace(theirs.id);
    if (!fresh) return at->second;
    Machine copy = theirs;
    copy.id = at->second = freshId<MachineId>(after_, "m");
    eachTiming(copy, [&](Timing& timing) { here(timing); });
    const auto mine = [this](const ValueId& id) { return takeValue(id); };
    for (Transition& t : copy.transitions) {
      t.guard = withOtherValues(t.guard, mine);
      for (Effect& effect : t.effects) {
        if (effect.type != EffectType::SetValue) continue;
        effect.value = takeValue(effect.value);
        effect.formula = withOtherValues(effect.formula, mine);
      }
    }
    after_.machines.emplace_back(std::move(copy));
    return at->second;
  }

  // A project's value serves by its name.
  ValueId takeValue(const ValueId& id) {
    const ProjectValue* theirs = find(library_, id);
    if (!theirs) return id;
    for (const ProjectValue& mine : after_.values)
      if (mine.name == theirs->name) return mine.id;
    ProjectValue copy = *theirs;
    copy.id = freshId<ValueId>(after_, "v");
    after_.values.push_back(copy);
    return copy.id;
  }

  void takeKind(const Kind& theirs) {
    const Kind* mine = nullptr;
    std::vector<std::string> names;
    for (const auto& kind : after_.kinds) {
      names.push_back(kind->name);
      if (kind->name == theirs.name) mine = &*kind;
    }
    Kind copy = theirs;
    copy.base = here(theirs.base);
    for (auto& entry : copy.departures) entry.second = here(entry.second);
    const auto how = mine ? answer(LibraryConflict::Sort::Kind, theirs.name) : OnConflict::Both;
    if (mine) kinds_[theirs.id] = mine->id;
    if (mine && (sameLook(copy, *mine) || how == OnConflict::Mine)) return;
    copy.machine = takeMachine(*find(library_, theirs.machine));
    if (mine && how == OnConflict::Theirs) {
      copy.id = mine->id;
      *edit(after_, copy.id) = std::move(copy);
      return;
    }
    copy.name = freeName(names, theirs.name);
    copy.id = kinds_[theirs.id] = freshId<KindId>(after_, "k");
    after_.kinds.emplace_back(std::move(copy));
  }

  Project after_;
  const Project& library_;
  const std::map<LibraryConflict, OnConflict>& answers_;
  std::map<NamedId, NamedId> names_;
  std::vector<std::pair<NamedId, const NamedValue*>> written_;
  std::map<MachineId, MachineId> machines_;
  std::map<KindId, KindId> kinds_;
  std::map<ValueId, ValueId> values_;
};

}  // namespace

Project libraryOf(const Project& project, const std::vector<KindId>& kinds) {
  Project out = project;
  out.screens.clear();
  out.first = {};
  const auto chosen = [&](const KindId& id) {
    return std::find(kinds.begin(), kinds.end(), id) != kinds.end();
  };
  std::erase_if(out.kinds, [&](const auto& kind) { return !chosen(kind->id); });
  std::erase_if(out.machines, [&](const auto& machine) {
    return std::none_of(out.kinds.begin(), out.kinds.end(),
                        [&](const auto& kind) { return kind->machine == machine->id; });
  });
  const auto names = namesOf(project, kinds);
  std::erase_if(out.named.edit(), [&](const NamedValue& n) { return !names.contains(n.id); });
  return out;
}

std::vector<LibraryConflict> conflictsWith(const Project& project, const Project& library,
                                           const std::vector<KindId>& kinds) {
  std::vector<LibraryConflict> out;
  // Names mean the same by what they are called, not by their numbers in their projects.
  const SameNames here = sameNames(library, project);
  for (const KindId& id : kinds) {
    const Kind* theirs = find(library, id);
    for (const auto& mine : project.kinds)
      if (theirs && mine->name == theirs->name && !sameLook(mapped(*theirs, here), *mine))
        out.push_back({LibraryConflict::Sort::Kind, theirs->name});
  }
  const auto names = namesOf(library, kinds);
  for (const NamedValue& theirs : *library.named) {
    const NamedValue* mine = naming(project).find(theirs.name);
    if (mine && names.contains(theirs.id) && !sameValue(theirs, *mine, here))
      out.push_back({LibraryConflict::Sort::Named, theirs.name});
  }
  return out;
}

Result<Taken> take(const Project& before, const Project& library, const Wanted& wanted,
                   const std::map<LibraryConflict, OnConflict>& answers) {
  return Taking(before, library, answers).run(wanted);
}

void collectNames(const LookValues& values, std::set<NamedId>& names) {
  for (const auto& entry : values)
    eachName(entry.second, [&](const NamedId& id) { names.insert(id); });
}

Edit takeKinds(Shared<Project> library, std::vector<KindId> kinds,
               std::map<LibraryConflict, OnConflict> answers) {
  return {"take from a library", {}, [=](const Project& before) -> Result<Project> {
            auto taken = take(before, *library, {kinds, {}, {}}, answers);
            if (!taken) return tl::unexpected(taken.error());
            return std::move(taken->project);
          }};
}

}  // namespace bristle
