#include "core/edit/named_edits.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>

namespace bristle {
namespace {

Edit onNamed(NamedId id, std::string name, std::string mergeKey,
             std::function<Result<void>(const Project&, NamedValues&, NamedValue&)> change) {
  return {std::move(name), std::move(mergeKey), [=](const Project& before) -> Result<Project> {
            Project after = before;
            for (NamedValue& named : after.named.edit()) {
              if (named.id != id) continue;
              if (auto done = change(before, after.named.edit(), named); !done)
                return tl::unexpected(done.error());
              return after;
            }
            return fail({}, "that named value is gone");
          }};
}

Result<void> mayBeCalled(const NamedValues& all, const std::string& name, const NamedId& self) {
  if (const auto why = whyNoName(name); !why.empty()) return fail({}, why);
  for (const NamedValue& named : all)
    if (named.name == name && named.id != self)
      return fail({}, "another named value is called “" + name + "”");
  return {};
}

// Every value of every look in the project, each with the words for its place; `change` may give
// another value to be put there.
template <class Visit>
void eachLookValue(const Project& project, Visit visit) {
  for (const auto& kind : project.kinds) {
    for (const auto& [key, value] : kind->base) visit(*kind, Column{}, key, value);
    for (const auto& [state, values] : kind->departures)
      for (const auto& [key, value] : values) visit(*kind, Column{state}, key, value);
  }
}

std::string placeOf(const Project& project, const Kind& kind, const Column& column,
                    const PropKey& key) {
  std::string part = "Whole";
  for (const Part& p : kind.parts)
    if (p.id == key.part) part = p.name;
  const PartType* type = partType(kind, key.part);
  const PropertyInfo* info = type ? findProperty(*type, key.prop) : nullptr;
  const Machine* machine = find(project, kind.machine);
  const State* state = column && machine ? findState(*machine, *column) : nullptr;
  return fmt::format("{} · {} · {}{}{}", kind.name, part, info ? info->label : "",
                     state ? " · " : "", state ? state->name : "");
}

LookValues renamedIn(const LookValues& values, const NamedId& from, const NamedId& to,
                     const Naming& names, const Kind* kind) {
  LookValues out = values;
  for (const auto& [key, value] : values) {
    Value stood = NamedRef{from};
    if (const Value* settledValue = names.settle(from)) stood = *settledValue;
    const PartType* type = kind ? partType(*kind, key.part) : nullptr;
    const PropertyInfo* info = type ? findProperty(*type, key.prop) : nullptr;
    if (info && std::holds_alternative<NamedRef>(value)) stood = settled(value, *info, names);
    out.set(key, renamed(value, from, to, stood));
  }
  return out;
}

bool uses(const LookValues& values, const NamedId& id) {
  bool out = false;
  for (const auto& entry : values)
    eachName(entry.second, [&](const NamedId& n) { out |= n == id; });
  return out;
}

bool uses(const OwnLook& own, const NamedId& id) {
  return uses(own.base, id) || std::any_of(own.departures.begin(), own.departures.end(),
                                           [&](const auto& e) { return uses(e.second, id); });
}

void renameTiming(Timing& timing, const NamedId& from, const NamedId& to, const Naming& names) {
  const Value* stood = names.settle(from);
  if (timing.namedDuration == from) {
    timing.namedDuration = to;
    if (stood && std::holds_alternative<double>(*stood))
      timing.duration = static_cast<Ms>(std::get<double>(*stood));
  }
  if (timing.namedEasing == from) {
    timing.namedEasing = to;
    if (stood && std::holds_alternative<Easing>(*stood)) timing.easing = std::get<Easing>(*stood);
  }
}

void replaceEverywhere(Project& after, const Project& before, const NamedId& from,
                       const NamedId& to) {
  const Naming names = naming(before);
  for (const auto& kind : before.kinds) {
    const bool used =
        uses(kind->base, from) || std::any_of(kind->departures.begin(), kind->departures.end(),
                                              [&](const auto& e) { return uses(e.second, from); });
    if (!used) continue;
    Kind& own = *edit(after, kind->id);
    own.base = renamedIn(kind->base, from, to, names, &*kind);
    for (auto& entry : own.departures)
      entry.second = renamedIn(entry.second, from, to, names, &*kind);
  }
  for (const auto& screen : before.screens)
    for (const auto& item : screen->items) {
      if (!item->button() || !uses(item->button()->own, from)) continue;
      const Kind* kind = find(before, item->button()->kind);
      OwnLook& own = edit(*edit(after, screen->id), item->id)->button()->own;
      own.base = renamedIn(own.base, from, to, names, kind);
      for (auto& entry : own.departures)
        entry.second = renamedIn(entry.second, from, to, names, kind);
    }
  for (const auto& machine : before.machines) {
    Machine changed = *machine;
    eachTiming(changed, [&](Timing& timing) { renameTiming(timing, from, to, names); });
    if (!(changed == *machine)) *edit(after, machine->id) = std::move(changed);
  }
  for (NamedValue& named : after.named.edit()) {
    if (named.id == from) continue;
    const Value* stood = names.settle(from);
    const auto put = [&](Value& value) {
      value = renamed(value, from, to, stood ? *stood : startOf(named.type));
    };
    put(named.value);
    if (named.dark) put(*named.dark);
  }
}

}  // namespace

Edit addNamed(NamedType type, std::string name, Value value) {
  return {"new named value", {}, [=](const Project& before) -> Result<Project> {
            if (const auto ok = mayBeCalled(*before.named, name, {}); !ok)
              return tl::unexpected(ok.error());
            Project after = before;
            const NamedId id = freshId<NamedId>(after, "n");
            after.named.edit().push_back({.id = id, .name = name, .type = type, .value = value});
            return after;
          }};
}

Edit renameNamed(NamedId id, std::string name) {
  return onNamed(id, "rename named value", {},
                 [=](const Project& before, NamedValues&, NamedValue& named) -> Result<void> {
                   if (auto ok = mayBeCalled(*before.named, name, id); !ok) return ok;
                   named.name = name;
                   return {};
                 });
}

Edit setNamed(NamedId id, bool dark, std::optional<Value> value) {
  return onNamed(id, "change named value", "named " + id.text + (dark ? " dark" : ""),
                 [=](const Project& before, NamedValues& all, NamedValue& named) -> Result<void> {
                   if (!value && !dark) return fail({}, "a named value needs a value");
                   if (value) {
                     if (const auto* alias = std::get_if<NamedRef>(&*value)) {
                       const NamedValue* other = find(before, alias->id);
                       if (!other || other->type != named.type)
                         return fail(named.name,
                                     "an alias leads to a named value of the same type");
                     } else if (value->index() != startOf(named.type).index()) {
                       return fail(named.name, "expected another type of value");
                     }
                   }
                   if (dark)
                     named.dark = value;
                   else
                     named.value = *value;
                   for (bool set : {false, true})
                     if (!Naming{&all, set}.settle(id))
                       return fail(named.name, "this would lead in a circle");
                   return {};
                 });
}

Edit describeNamed(NamedId id, std::string description) {
  return onNamed(id, "describe named value", {},
                 [=](const Project&, NamedValues&, NamedValue& named) -> Result<void> {
                   named.description = description;
                   return {};
                 });
}

Edit removeNamed(NamedId id, NamedId replacement) {
  return {"remove named value", {}, [=](const Project& before) -> Result<Project> {
            const NamedValue* named = find(before, id);
            if (!named) return fail({}, "that named value is gone");
            if (replacement) {
              const NamedValue* other = find(before, replacement);
              if (!other || other->type != named->type || replacement == id)
                return fail(named->name, "it can only be replaced by another of its type");
              const auto* alias = std::get_if<NamedRef>(&other->value);
              if (alias && alias->id == id)
                return fail(named->name, "“" + other->name + "” is an alias of it");
            }
            Project after = before;
            replaceEverywhere(after, before, id, replacement);
            std::erase_if(after.named.edit(), [&](const NamedValue& n) { return n.id == id; });
            return after;
          }};
}

Edit moveNamed(NamedId id, int by) {
  return {"reorder named values", {}, [=](const Project& before) -> Result<Project> {
            Project after = before;
            NamedValues& all = after.named.edit();
            const auto at = std::find_if(all.begin(), all.end(),
                                         [&](const NamedValue& n) { return n.id == id; });
            if (at == all.end()) return fail({}, "that named value is gone");
            const auto to =
                std::clamp<std::ptrdiff_t>(at - all.begin() + by, 0, std::ssize(all) - 1);
            NamedValue moved = *at;
            all.erase(at);
            all.insert(all.begin() + to, std::move(moved));
            return after;
          }};
}

Edit nameCell(LookOwner owner, Column column, PropKey key, std::string name, bool everywhere) {
  return {
      "name value", {}, [=](const Project& before) -> Result<Project> {
        const Kind* kind = find(before, owner.kind);
        const PartType* type = kind ? partType(*kind, key.part) : nullptr;
        const PropertyInfo* info = type ? findProperty(*type, key.prop) : nullptr;
        if (!info) return fail({}, "that part is gone");
        // Of one button alone it is the button's own value that gets the name.
        const Screen* screen = owner.item ? find(before, owner.screen) : nullptr;
        const Item* item = screen ? findItem(*screen, owner.item) : nullptr;
        if (owner.item && (!item || !item->button())) return fail({}, "that button is gone");
        const OwnLook* mine = item ? &item->button()->own : nullptr;
        const Value raw = valueIn(*kind, mine, column, key);
        Value value = settled(raw, *info, naming(before));
        NamedType sort = namedTypeFor(*info);
        // A plain fill is a colour's, even corners a length's.
        if (const auto* fill = std::get_if<Fill>(&value); fill && fill->type == FillType::Solid) {
          sort = NamedType::Colour;
          const Colour only = fill->stops.front().colour;  // `fill` goes with the old value
          value = only;
        } else if (fill && fill->type == FillType::None) {
          return fail(std::string(info->label), "there is nothing to name");
        }
        if (const auto* four = std::get_if<Four>(&value)) {
          if (!four->even()) return fail(std::string(info->label), "name them one by one");
          const double length = four->a;
          value = length;
        }
        if (value.index() != startOf(sort).index())
          return fail(std::string(info->label), "this sort of value has no names");
        auto named = addNamed(sort, name, value).apply(before);
        if (!named) return named;
        const NamedId id = named->named->back().id;
        const auto with = [&](const PropertyInfo& at) -> Value {
          if (sort == NamedType::Colour && std::holds_alternative<Fill>(at.start))
            return Fill{FillType::Solid, 90, {{0, std::get<Colour>(value), id}}};
          return NamedRef{id};
        };
        Project after = *named;
        if (everywhere) {
          eachLookValue(
              before, [&](const Kind& k, const Column& c, const PropKey& at, const Value& held) {
                const PartType* partSort = partType(k, at.part);
                const PropertyInfo* there = partSort ? findProperty(*partSort, at.prop) : nullptr;
                if (!there || !fits(sort, *there) || held.index() != raw.index() || held != raw)
                  return;
                Kind& own = *edit(after, k.id);
                (c ? own.departures[*c] : own.base).set(at, with(*there));
              });
        }
        return changeCells(owner, {{column, key, with(*info)}}, {}).apply(after);
      }};
}

Edit takeNamed(NamedValues values, Extras foreign) {
  return {"import named values", {}, [=](const Project& before) -> Result<Project> {
            Project after = before;
            NamedValues& all = after.named.edit();
            std::map<NamedId, NamedId> ids;
            for (const NamedValue& value : values) {
              const NamedValue* old = naming(before).find(value.name);
              if (old && old->type != value.type)
                return fail(value.name, fmt::format("is a {} here, and a {} there; rename one",
                                                    nameOf(old->type), nameOf(value.type)));
              ids[value.id] = old ? old->id : freshId<NamedId>(after, "n");
            }
            const auto here = [&](Value value) {
              std::vector<NamedId> used;
              eachName(value, [&](const NamedId& id) { used.push_back(id); });
              // By way of names that nothing has, so that one is not taken for another.
              for (const NamedId& id : used) value = renamed(value, id, {"\n" + id.text}, value);
              for (const NamedId& id : used)
                if (ids.contains(id)) value = renamed(value, {"\n" + id.text}, ids[id], value);
              return value;
            };
            for (const NamedValue& value : values) {
              NamedValue taken = value;
              taken.id = ids[value.id];
              taken.value = here(value.value);
              if (taken.dark) taken.dark = here(*taken.dark);
              const auto at = std::find_if(all.begin(), all.end(),
                                           [&](const NamedValue& n) { return n.id == taken.id; });
              if (at == all.end())
                all.push_back(std::move(taken));
              else
                *at = std::move(taken);
            }
            if (foreign.json) after.foreignTokens = foreign;
            return after;
          }};
}

std::vector<NamedUse> usesOf(const Project& project, const NamedId& id) {
  std::vector<NamedUse> out;
  eachLookValue(
      project, [&](const Kind& kind, const Column& column, const PropKey& key, const Value& value) {
        bool used = false;
        eachName(value, [&](const NamedId& n) { used |= n == id; });
        if (used) out.push_back({kind.id, placeOf(project, kind, column, key)});
      });
  for (const auto& screen : project.screens)
    for (const auto& item : screen->items)
      if (item->button() && uses(item->button()->own, id))
        out.push_back({item->button()->kind, screen->name + " · " + displayName(*item)});
  for (const auto& machine : project.machines) {
    bool used = false;
    eachTiming(*machine, [&](const Timing& t) {
      used = used || t.namedDuration == id || t.namedEasing == id;
    });
    if (used) out.push_back({{}, machine->name + " · timing"});
  }
  for (const NamedValue& named : *project.named) {
    bool used = false;
    const auto look = [&](const Value& value) {
      eachName(value, [&](const NamedId& n) { used |= n == id; });
    };
    look(named.value);
    if (named.dark) look(*named.dark);
    if (used) out.push_back({{}, "named value " + named.name});
  }
  return out;
}

}  // namespace bristle
