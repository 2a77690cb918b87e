#include "core/edit/kind_edits.h"

#include <fmt/format.h>

#include <algorithm>

namespace bristle {
namespace {

tl::unexpected<Error> gone(const char* what) {
  return fail({}, fmt::format("that {} is gone", what));
}

std::vector<std::string> kindNames(const Project& project) {
  std::vector<std::string> names;
  for (const auto& kind : project.kinds) names.push_back(kind->name);
  return names;
}

// The look of a new kind: plain, and different in every state by more than colour.
void plainLook(Kind& kind, const PartId& plate, const PartId& ring, const PartId& caption) {
  const auto solid = [](const char* hex) { return Fill::solid(*parseColour(hex)); };
  const auto colour = [](const char* hex) { return *parseColour(hex); };
  kind.base.set({plate, Prop::Fill}, solid("#3f4a4d"));
  kind.base.set({plate, Prop::Radius}, Four::all(8));
  kind.base.set({plate, Prop::BorderWidth}, 1.0);
  kind.base.set({plate, Prop::BorderColour}, colour("#6b7a7d"));
  kind.base.set({ring, Prop::Shown}, false);
  kind.base.set({ring, Prop::BorderWidth}, 3.0);
  kind.base.set({ring, Prop::BorderColour}, colour("#f2c14e"));
  kind.base.set({ring, Prop::Outset}, 5.0);
  kind.base.set({ring, Prop::Radius}, Four::all(13));
  kind.base.set({caption, Prop::Colour}, colour("#f4f1ea"));
  kind.base.set({caption, Prop::Size}, 24.0);
  auto& hover = kind.departures[StateId{"hover"}];
  hover.set({plate, Prop::Fill}, solid("#55686c"));
  hover.set({plate, Prop::BorderColour}, colour("#b9cdd0"));
  hover.set({plate, Prop::Shadow}, Shadow{0, 4, 12, 0, {0, 0, 0, 110}});
  auto& pressed = kind.departures[StateId{"pressed"}];
  pressed.set({plate, Prop::Fill}, solid("#2b3335"));
  pressed.set({{}, Prop::Scale}, 0.97);
  kind.departures[StateId{"focused"}].set({ring, Prop::Shown}, true);
  auto& disabled = kind.departures[StateId{"disabled"}];
  disabled.set({caption, Prop::Colour}, colour("#98a3a5"));
  disabled.set({plate, Prop::Fill}, solid("#4b4f50"));
  disabled.set({plate, Prop::BorderWidth}, 0.0);
}

// What placed buttons of the kind changed of a part goes with it.
void clearOwnPart(Project& project, const KindId& kind, const PartId& part) {
  const auto holds = [&](const LookValues& values) {
    return std::any_of(values.begin(), values.end(),
                       [&](const auto& entry) { return entry.first.part == part; });
  };
  for (const auto& screen : std::vector(project.screens))
    for (const auto& item : screen->items) {
      const auto* button = item->button();
      if (!button || button->kind != kind) continue;
      const bool any = holds(button->own.base) ||
                       std::any_of(button->own.departures.begin(), button->own.departures.end(),
                                   [&](const auto& entry) { return holds(entry.second); });
      if (!any) continue;
      OwnLook& own = edit(*edit(project, screen->id), item->id)->button()->own;
      own.base.clearPart(part);
      for (auto& entry : own.departures) entry.second.clearPart(part);
      std::erase_if(own.departures, [](const auto& entry) { return entry.second.empty(); });
    }
}

Edit onKind(KindId id, std::string name, std::string mergeKey,
            std::function<Result<Project>(Project, Kind&)> change) {
  return {
      std::move(name), std::move(mergeKey),
      [id = std::move(id), change = std::move(change)](const Project& before) -> Result<Project> {
        Project after = before;
        if (!find(before, id)) return gone("kind");
        // `after` moves into the result; the kind that it shares stays where it is.
        Kind* kind = edit(after, id);
        return change(std::move(after), *kind);
      }};
}

}  // namespace

Edit addKind(std::string name, Wins wins) {
  return {"new kind", {}, [name = std::move(name), wins](const Project& before) -> Result<Project> {
            Project after = before;
            Machine machine = menuButton(freshId<MachineId>(after, "m"), name + " machine", wins);
            Kind kind;
            kind.machine = machine.id;
            kind.name = freeName(kindNames(after), name);
            kind.sampleCaption = "Caption";
            const auto plate = freshId<PartId>(after, "p"), ring = freshId<PartId>(after, "p"),
                       caption = freshId<PartId>(after, "p");
            kind.parts = {{plate, "Plate", PartType::Shape, {}},
                          {ring, "Focus ring", PartType::Shape, {}},
                          {caption, "Caption", PartType::Label, {}}};
            plainLook(kind, plate, ring, caption);
            kind.id = freshId<KindId>(after, "k");
            after.machines.emplace_back(std::move(machine));
            after.kinds.emplace_back(std::move(kind));
            return after;
          }};
}

Edit changeKind(KindId kind, std::string name, std::string mergeKey,
                std::function<void(Kind&)> change) {
  return onKind(std::move(kind), std::move(name), std::move(mergeKey),
                [change = std::move(change)](Project after, Kind& k) -> Result<Project> {
                  change(k);
                  return after;
                });
}

Edit renameKind(KindId kind, std::string name) {
  return onKind(kind, "rename kind", {},
                [name = std::move(name), kind](Project after, Kind& k) -> Result<Project> {
                  if (name.empty()) return fail({}, "a kind needs a name");
                  for (const auto& other : after.kinds)
                    if (other->id != kind && other->name == name)
                      return fail({}, "another kind is called “" + name + "”");
                  k.name = name;
                  return after;
                });
}

Edit duplicateKind(KindId id) {
  return {"duplicate kind", {}, [id = std::move(id)](const Project& before) -> Result<Project> {
            const Kind* original = find(before, id);
            if (!original) return gone("kind");
            Project after = before;
            Kind copy = *original;
            copy.name = freeName(kindNames(after), copy.name);
            copy.id = freshId<KindId>(after, "k");
            after.kinds.emplace_back(std::move(copy));
            return after;
          }};
}

Edit removeKind(KindId id) {
  return {"remove kind", {}, [id = std::move(id)](const Project& before) -> Result<Project> {
            const Kind* kind = find(before, id);
            if (!kind) return gone("kind");
            for (const auto& screen : before.screens)
              for (const auto& item : screen->items)
                if (item->button() && item->button()->kind == id)
                  return fail({}, fmt::format("“{}” is used on “{}”; remove its buttons first",
                                              kind->name, screen->name));
            Project after = before;
            const MachineId machine = kind->machine;
            std::erase_if(after.kinds, [&](const auto& k) { return k->id == id; });
            const bool shared = std::any_of(after.kinds.begin(), after.kinds.end(),
                                            [&](const auto& k) { return k->machine == machine; });
            if (!shared)
              std::erase_if(after.machines, [&](const auto& m) { return m->id == machine; });
            return after;
          }};
}

Edit resizeKind(KindId kind, Px width, Px height) {
  return onKind(kind, "resize kind", "resize " + kind.text,
                [=](Project after, Kind& k) -> Result<Project> {
                  if (!(width >= 1 && width <= 8000 && height >= 1 && height <= 8000))
                    return fail({}, "a kind is 1 to 8000 px wide and high");
                  k.width = width;
                  k.height = height;
                  return after;
                });
}

Edit addPart(KindId kind, PartType type, std::string name) {
  return onKind(std::move(kind), "add part", {}, [=](Project after, Kind& k) -> Result<Project> {
    const Part part{freshId<PartId>(after, "p"), name, type, {}};
    // Captions stay on top of what covers areas, until somebody moves them.
    auto at = k.parts.end();
    if (type == PartType::Shape || type == PartType::Picture)
      at = std::find_if(k.parts.begin(), k.parts.end(),
                        [](const Part& p) { return p.type == PartType::Label; });
    k.parts.insert(at, part);
    return after;
  });
}

Edit removePart(KindId kind, PartId part) {
  return onKind(std::move(kind), "remove part", {}, [=](Project after, Kind& k) -> Result<Project> {
    std::erase_if(k.parts, [&](const Part& p) { return p.id == part; });
    k.base.clearPart(part);
    for (auto& entry : k.departures) entry.second.clearPart(part);
    std::erase_if(k.departures, [](const auto& entry) { return entry.second.empty(); });
    clearPart(k.motions, part);
    clearOwnPart(after, k.id, part);
    return after;
  });
}

Edit renamePart(KindId kind, PartId part, std::string name) {
  return changeKind(std::move(kind), "rename part", {}, [=](Kind& k) {
    for (Part& p : k.parts)
      if (p.id == part && !name.empty()) p.name = name;
  });
}

namespace {

// Effects, timings and what a file held besides go along to the transition that does the same:
// first of the same state, else the first that answers the same event and leads to the same state.
void keepOwn(const std::vector<Transition>& old, std::vector<Transition>& fresh) {
  for (Transition& t : fresh) {
    const Transition* like = nullptr;
    for (const Transition& o : old) {
      if (o.on != t.on || o.to != t.to) continue;
      const bool same = o.from == t.from;
      if (!like || (same && like->from != t.from)) like = &o;
    }
    if (!like) continue;
    t.effects = like->effects;
    t.timing = like->timing;
    t.propTimings = like->propTimings;
    t.extra = like->extra;
  }
}

}  // namespace

Edit rewire(KindId kind, Wins wins) {
  return {"change which look wins", {}, [=](const Project& before) -> Result<Project> {
            const Kind* k = find(before, kind);
            const Machine* old = k ? find(before, k->machine) : nullptr;
            if (!old) return gone("machine");
            Project after = before;
            Machine fresh = *old;
            fresh.wins = wins;
            fresh.transitions = menuButton(old->id, old->name, wins).transitions;
            keepOwn(old->transitions, fresh.transitions);
            *edit(after, old->id) = std::move(fresh);
            return after;
          }};
}

}  // namespace bristle
