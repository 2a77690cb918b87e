#include <fmt/format.h>

#include "core/findings/hit_size.h"
#include "core/derive/ground.h"
#include "deliver/pictures.h"
#include "deliver/spec_sections.h"
#include "paint/contrast.h"
#include "paint/convert.h"
#include "paint/law_looks.h"

namespace bristle {
namespace {

int buttonsOf(const Project& project, const KindId& kind) {
  int out = 0;
  for (const auto& screen : project.screens)
    for (const auto& item : screen->items)
      if (const ButtonData* b = item->button()) out += b->kind == kind;
  return out;
}

std::string hitWords(const Kind& kind) {
  switch (kind.hitForm) {
    case HitForm::Box: {
      const HitExtent area = hitExtent(kind);
      return kind.hitPadding > 0 ? fmt::format("hit area {} × {} px, {} px beyond the box", area.w,
                                               area.h, kind.hitPadding)
                                 : std::string("hit area as the box");
    }
    case HitForm::Shape:
      return "hit area as its first shape is drawn";
    case HitForm::Alpha:
      return fmt::format("hit where its picture’s opacity is over {:.0f} %", kind.hitAlpha * 100);
  }
  return {};
}

std::string aboutKind(const Project& project, const Kind& kind, const Machine& machine) {
  const int used = buttonsOf(project, kind.id);
  return fmt::format(
      "{} × {} px{}; {}. Machine “{}”. {}.", shortNumber(kind.width), shortNumber(kind.height),
      kind.fitsCaption ? fmt::format(", wider where the caption needs it, with {} px "
                                     "at both sides",
                                     shortNumber(kind.captionPadding))
                       : "",
      kind.still ? std::string("stands still, no button") : hitWords(kind), machine.name,
      used == 1 ? std::string("Placed once") : fmt::format("Placed {} times", used));
}

// Every state on the ground that it stands on, all cut alike: to what any of them shows.
std::vector<QImage> statesOn(SpecMaking& making, const Kind& kind, const LookTable& table,
                             size_t states, Colour ground) {
  std::vector<QImage> all;
  QRect shown;
  for (size_t s = 0; s < states; ++s) {
    auto image = pictureOf(kind, table, StateIndex(s), making.looks, kFigureSharp);
    if (!image) return {};
    shown |= contentOf(*image);
    all.push_back(std::move(*image));
  }
  // A whole number of CSS px.
  const int rim = int(12 * kFigureSharp);
  shown.adjust(-rim, -rim, rim, rim);
  shown.setWidth(shown.width() + shown.width() % int(kFigureSharp));
  shown.setHeight(shown.height() + shown.height() % int(kFigureSharp));
  for (QImage& image : all) {
    QImage cut(shown.size(), QImage::Format_RGB32);
    cut.fill(QColor(ground.r, ground.g, ground.b));
    QPainter p(&cut);
    p.drawImage(-shown.topLeft(), image);
    p.end();
    image = std::move(cut);
  }
  return all;
}

SpecCell cellOf(const Value& value) {
  if (const auto* colour = std::get_if<Colour>(&value)) return {toText(value), *colour};
  if (const auto* fill = std::get_if<Fill>(&value); fill && fill->type == FillType::Solid)
    return {toText(value), fill->stops.front().colour};
  return {toText(value)};
}

// What the kind says of itself: each property that is not as it starts, state by state.
void addValues(const Kind& kind, const Machine& machine, const LookTable& table, SpecSection& out) {
  const size_t states = statesSeen(kind, machine);
  out.head = {"Part", "Property"};
  for (size_t s = 0; s < states; ++s) out.head.push_back(machine.states[s].name);
  for (size_t c = 0; c < table.channels().size(); ++c) {
    const PropKey& key = table.channels()[c];
    const PartType* type = partType(kind, key.part);
    const PropertyInfo* info = type ? findProperty(*type, key.prop) : nullptr;
    if (!info) continue;
    Value start = info->start;
    if (const bool* flag = std::get_if<bool>(&start)) start = *flag ? 1.0 : 0.0;
    bool plain = true;
    for (size_t s = 0; s < states; ++s) plain = plain && table.state(StateIndex(s))[c] == start;
    if (plain) continue;
    std::string part = "whole";
    for (const Part& each : kind.parts)
      if (each.id == key.part)
        part = each.name.empty() ? std::string(nameOf(each.type)) : each.name;
    SpecRow row{key.part.text + "." + std::string(info->key), {part, std::string(info->label)}};
    for (size_t s = 0; s < states; ++s) {
      const Value& value = table.state(StateIndex(s))[c];
      const bool same = s > 0 && value == table.state(0)[c];
      const bool shows = key.prop == Prop::Shown;
      row.cells.push_back(same    ? SpecCell("·")
                          : shows ? SpecCell(std::get<double>(value) > 0 ? "yes" : "no")
                                  : cellOf(value));
    }
    out.rows.push_back(std::move(row));
  }
}

std::string ratioWords(const std::optional<CaptionContrast>& contrast) {
  return contrast ? fmt::format("{:.1f} : 1", contrast->ratio) : std::string("none");
}

SpecSection contrastOf(SpecMaking& making, const Kind& kind, const Machine& machine,
                       const LookTable& table, Colour ground) {
  SpecSection out{3, kind.id.text + "-contrast", "Contrast, on " + toHex(ground)};
  out.head = {"State", "Role", "Caption", "Icon", "Focus to rest"};
  QImage behind(std::max(1, qCeil(kind.width)), std::max(1, qCeil(kind.height)),
                QImage::Format_RGB32);
  behind.fill(QColor(ground.r, ground.g, ground.b));
  const RenderedLooks looks(making.looks, kind, table, ground);
  for (size_t s = 0; s < statesSeen(kind, machine); ++s) {
    const State& state = machine.states[s];
    const Look& look = table.state(StateIndex(s));
    const bool focus = state.role == Role::Focus && !kind.still;
    out.rows.push_back(
        {state.id.text,
         {state.name, std::string(nameOf(state.role)),
          ratioWords(captionContrast(making.looks, kind, look, kind.sampleCaption, behind)),
          ratioWords(iconContrast(making.looks, kind, look, kind.sampleCaption, behind)),
          !focus ? std::string("")
                 : fmt::format("{:.0f} % of the area that WCAG 2.2 §2.4.13 asks for",
                               100 * looks.focusShare(StateIndex(s), 0))}});
  }
  return out;
}

}  // namespace

void specifyKinds(SpecMaking& making, SpecSections& out) {
  const Project& project = making.project;
  out.push_back(
      {1, "kinds", "Kinds",
       "Each button design in all its states, at true size (one px of the picture to "
       "one CSS px). Lengths are px, angles degrees. A dot in a table: as in the first state."});
  for (const auto& kind : project.kinds) {
    const Machine* machine = find(project, kind->machine);
    const auto table = making.tables.get(project, kind->id);
    if (!machine || !table) continue;
    const Colour ground = groundOf(project, kind->id);
    SpecSection section{2, kind->id.text, kind->name, aboutKind(project, *kind, *machine)};
    const auto images = statesOn(making, *kind, *table, statesSeen(*kind, *machine), ground);
    for (size_t s = 0; s < images.size(); ++s) {
      const State& state = machine->states[s];
      section.figures.push_back({kind->id.text + "." + state.id.text, images[s],
                                 images[s].width() / kFigureSharp, state.name});
    }
    addValues(*kind, *machine, *table, section);
    out.push_back(std::move(section));
    out.push_back(contrastOf(making, *kind, *machine, *table, ground));
    if (!making.goesOn()) return;
  }
}

}  // namespace bristle
