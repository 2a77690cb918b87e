// Edits of cells, columns and parts of a look; declared in kind_edits.h.
#include <fmt/format.h>

#include <algorithm>

#include "core/edit/kind_edits.h"

namespace bristle {
namespace {

// The look that an owner's edits go to, as two places: the base and the states.
struct Target {
  const Kind* kind = nullptr;
  LookValues* base = nullptr;
  std::map<StateId, LookValues>* departures = nullptr;
};

Target targetIn(Project& project, const LookOwner& owner) {
  if (!owner.item) {
    Kind* kind = find(project, owner.kind) ? edit(project, owner.kind) : nullptr;
    if (!kind) return {};
    return {kind, &kind->base, &kind->departures};
  }
  Screen* screen = find(project, owner.screen) ? edit(project, owner.screen) : nullptr;
  Item* item = screen ? edit(*screen, owner.item) : nullptr;
  ButtonData* button = item ? item->button() : nullptr;
  const Kind* kind = button ? find(project, button->kind) : nullptr;
  if (!kind) return {};
  return {kind, &button->own.base, &button->own.departures};
}

void put(const Target& target, const CellChange& cell) {
  if (!cell.column) {
    cell.value ? target.base->set(cell.key, *cell.value)
               : static_cast<void>(target.base->clear(cell.key));
    return;
  }
  if (cell.value) {
    (*target.departures)[*cell.column].set(cell.key, *cell.value);
    return;
  }
  const auto at = target.departures->find(*cell.column);
  if (at == target.departures->end()) return;
  at->second.clear(cell.key);
  if (at->second.empty()) target.departures->erase(at);
}

// Empty when the value may stand there.
Result<void> suits(const Project& project, const Kind& kind, const CellChange& cell) {
  const PartType* type = partType(kind, cell.key.part);
  const PropertyInfo* info = type ? findProperty(*type, cell.key.prop) : nullptr;
  if (!info) return fail({}, "that part is gone");
  if (!cell.value) return {};
  if (const auto* ref = std::get_if<NamedRef>(&*cell.value)) {
    const NamedValue* named = find(project, ref->id);
    if (!named) return fail(std::string(info->label), "that named value is gone");
    if (!fits(named->type, *info))
      return fail(std::string(info->label), fmt::format("“{}” is a {}, which does not go here",
                                                        named->name, nameOf(named->type)));
    return {};
  }
  if (const auto wanted = whyUnsuitable(*info, *cell.value); !wanted.empty())
    return fail(std::string(info->label), "expected " + wanted);
  return {};
}

std::string columnKey(const Column& column) {
  return column ? column->text : "base";
}

}  // namespace

Edit changeCells(LookOwner owner, std::vector<CellChange> cells, std::string name,
                 std::string mergeKey) {
  return {std::move(name), std::move(mergeKey),
          [owner = std::move(owner),
           cells = std::move(cells)](const Project& before) -> Result<Project> {
            Project after = before;
            const Target target = targetIn(after, owner);
            if (!target.kind)
              return fail({}, owner.item ? "that button is gone" : "that kind is gone");
            for (const CellChange& cell : cells) {
              if (const auto ok = suits(before, *target.kind, cell); !ok)
                return tl::unexpected(ok.error());
              put(target, cell);
            }
            return after;
          }};
}

Edit setLook(LookOwner owner, std::vector<Column> columns, PropKey key, Value value) {
  std::string merge = fmt::format("look {} {} {} {}", owner.kind.text, owner.item.text,
                                  key.part.text, int(key.prop));
  std::vector<CellChange> cells;
  for (const Column& column : columns) {
    merge += " " + columnKey(column);
    cells.push_back({column, key, value});
  }
  return changeCells(std::move(owner), std::move(cells), "change look", std::move(merge));
}

Edit setLook(KindId kind, std::vector<Column> columns, PropKey key, Value value) {
  return setLook(LookOwner{std::move(kind)}, std::move(columns), std::move(key), std::move(value));
}

Edit clearLook(KindId kind, std::vector<Column> columns, PropKey key) {
  std::vector<CellChange> cells;
  for (const Column& column : columns) cells.push_back({column, key, {}});
  return changeCells({std::move(kind)}, std::move(cells), "back to base");
}

Edit copyColumn(LookOwner owner, Column from, std::vector<Column> to) {
  return {"copy a state’s look",
          {},
          [owner = std::move(owner), from = std::move(from),
           to = std::move(to)](const Project& before) -> Result<Project> {
            Project after = before;
            const Target target = targetIn(after, owner);
            if (!target.kind) return fail({}, "that kind is gone");
            LookValues source;
            if (!from) {
              // The base into a state: what departs falls back.
            } else if (const auto at = target.departures->find(*from);
                       at != target.departures->end()) {
              source = at->second;
            }
            for (const Column& column : to) {
              if (column == from) continue;
              if (column) {
                (*target.departures)[*column] = source;
                if (source.empty()) target.departures->erase(*column);
              } else {
                for (const auto& [key, value] : source) target.base->set(key, value);
              }
            }
            return after;
          }};
}

Edit swapTextAndFill(KindId id, std::vector<Column> columns) {
  return {
      "swap text and background", {}, [=](const Project& before) -> Result<Project> {
        const Kind* kind = find(before, id);
        if (!kind) return fail({}, "that kind is gone");
        std::vector<CellChange> cells;
        for (const Column& column : columns) {
          const Part *label = nullptr, *plate = nullptr;
          Fill fill;
          for (const Part& part : kind->parts) {
            if (part.type == PartType::Label && !label) label = &part;
            if (part.type != PartType::Shape || plate) continue;
            const PropertyInfo& info = *findProperty(PartType::Shape, Prop::Fill);
            fill = std::get<Fill>(settled(valueIn(*kind, nullptr, column, {part.id, Prop::Fill}),
                                          info, naming(before)));
            const auto shown = valueIn(*kind, nullptr, column, {part.id, Prop::Shown});
            if (fill.type != FillType::None && std::get<bool>(shown)) plate = &part;
          }
          if (!label || !plate)
            return fail({}, "this needs a label and a shape with a fill that are shown");
          const PropertyInfo& info = *findProperty(PartType::Label, Prop::Colour);
          const Colour text = std::get<Colour>(settled(
              valueIn(*kind, nullptr, column, {label->id, Prop::Colour}), info, naming(before)));
          cells.push_back({column, {label->id, Prop::Colour}, fill.stops.front().colour});
          cells.push_back({column, {plate->id, Prop::Fill}, Fill::solid(text)});
        }
        return changeCells({id}, std::move(cells), {}).apply(before);
      }};
}

Edit movePart(KindId kind, PartId part, int by) {
  return changeKind(std::move(kind), "reorder parts", {}, [=](Kind& k) {
    const auto at =
        std::find_if(k.parts.begin(), k.parts.end(), [&](const Part& p) { return p.id == part; });
    if (at == k.parts.end()) return;
    const auto from = at - k.parts.begin();
    const auto to = std::clamp<std::ptrdiff_t>(from + by, 0, std::ssize(k.parts) - 1);
    Part moved = *at;
    k.parts.erase(at);
    k.parts.insert(k.parts.begin() + to, std::move(moved));
  });
}

std::optional<PartCopy> copyOfPart(const Kind& kind, const PartId& id) {
  for (const Part& part : kind.parts) {
    if (part.id != id) continue;
    PartCopy out;
    out.part = part;
    out.motions = kind.motions;
    for (auto& [state, motion] : out.motions)
      std::erase_if(motion.tracks, [&](const MotionTrack& t) { return t.key.part != id; });
    const auto only = [&](const LookValues& from, LookValues& to) {
      for (const auto& [key, value] : from)
        if (key.part == id) to.set(key, value);
    };
    only(kind.base, out.base);
    for (const auto& [state, values] : kind.departures) {
      LookValues own;
      only(values, own);
      if (!own.empty()) out.departures[state] = std::move(own);
    }
    return out;
  }
  return {};
}

Edit pastePart(KindId id, PartCopy copy) {
  return {"paste part", {}, [=](const Project& before) -> Result<Project> {
            Project after = before;
            if (!find(before, id)) return fail({}, "that kind is gone");
            Kind& kind = *edit(after, id);
            std::vector<std::string> names;
            for (const Part& part : kind.parts) names.push_back(part.name);
            Part part = copy.part;
            part.id = freshId<PartId>(after, "p");
            part.name = freeName(names, part.name);
            for (const auto& [key, value] : copy.base) kind.base.set({part.id, key.prop}, value);
            const Machine* machine = find(after, kind.machine);
            for (const auto& [state, values] : copy.departures)
              if (machine && findState(*machine, state))
                for (const auto& [key, value] : values)
                  kind.departures[state].set({part.id, key.prop}, value);
            for (const auto& [state, motion] : copy.motions) {
              if (motion.tracks.empty() || !machine || !findState(*machine, state)) continue;
              const auto [own, fresh] = kind.motions.try_emplace(state, motion);
              if (fresh) own->second.tracks.clear();
              for (MotionTrack track : motion.tracks) {
                track.key.part = part.id;
                own->second.tracks.push_back(std::move(track));
              }
            }
            kind.parts.push_back(std::move(part));
            return after;
          }};
}

}  // namespace bristle
