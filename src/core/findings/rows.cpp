// Buttons that stand together and are not alike.
#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <map>
#include <optional>

#include "core/edit/screen_edits.h"
#include "core/findings/rules.h"
#include "runtime/layout/layout.h"

namespace bristle {
namespace {

const Part* labelOf(const Kind& kind) {
  const auto at = std::find_if(kind.parts.begin(), kind.parts.end(),
                               [](const Part& part) { return part.type == PartType::Label; });
  return at == kind.parts.end() ? nullptr : &*at;
}

// At rest; nothing where the kind has no caption.
std::optional<std::string> alignOf(const Project& project, const ButtonData& button) {
  const Kind* kind = find(project, button.kind);
  const Part* label = kind ? labelOf(*kind) : nullptr;
  if (!label) return {};
  const PropKey key{label->id, Prop::Align};
  const Value* said = button.own.base.find(key);
  if (!said) said = kind->base.find(key);
  const auto* word = said ? std::get_if<std::string>(said) : nullptr;
  return word ? *word : "centre";
}

void tellAlignment(const Screen& screen, const Item& item, const std::string& align,
                   const std::string& most, Findings& out) {
  Finding f{.rule = "odd-alignment",
            .place = fmt::format("{} · {}", screen.name, displayName(item)),
            .reason = fmt::format("its caption stands at the {}, those of its sisters at the {}",
                                  align, most),
            .screen = screen.id,
            .item = item.id};
  const auto own = [](const ButtonData& button) {
    return std::any_of(button.own.base.begin(), button.own.base.end(),
                       [](const auto& each) { return each.first.prop == Prop::Align; });
  };
  if (own(*item.button()))
    f.mends = {changeItems(screen.id, {item.id}, "align it as its sisters are", {}, [](Item& i) {
      std::vector<PropKey> keys;
      for (const auto& [key, value] : i.button()->own.base)
        if (key.prop == Prop::Align) keys.push_back(key);
      for (const PropKey& key : keys) i.button()->own.base.clear(key);
    })};
  out.push_back(std::move(f));
}

}  // namespace

// By how they lie on the first display; a row that stretches what is in it has them alike.
void checkRows(const Surroundings& around, const Screen& screen, Findings& out) {
  const Project& project = around.project;
  if (project.displays.empty()) return;
  const PlainMeasure plain;
  const Layout layout = layOut(project, screen, project.displays.front(),
                               around.eyes ? around.eyes->measure() : plain);
  for (const auto& holder : screen.items) {
    const ContainerData* row = holder->container();
    if (!row || row->flow != Flow::Row) continue;
    double least = 1e9, most = 0;
    const Item* highest = nullptr;
    for (size_t i = 0; i < screen.items.size(); ++i) {
      const Item& item = *screen.items[i];
      if (item.parent != holder->id || !item.button() || isStill(project, item)) continue;
      const double high = layout.items[i].box.h;
      if (high > most) highest = &item;
      least = std::min(least, high);
      most = std::max(most, high);
    }
    if (!highest || most - least < 0.5) continue;
    out.push_back(
        {.place = fmt::format("{} · {}", screen.name, displayName(*holder)),
         .reason = fmt::format("“{}” is {:g} px high, another button of the row {:g} px",
                               displayName(*highest), std::round(most), std::round(least)),
         .screen = screen.id,
         .item = holder->id,
         .figure = most - least,
         .limit = 0,
         .unit = "px",
         .mends = {changeItems(screen.id, {holder->id}, "stretch the row", {},
                               [](Item& i) { i.container()->across = Across::Stretch; })}});
  }
}

// Captions of the buttons of one container that read one under another: by what a button says of
// its own against what most of them have.
void checkAlignment(const Surroundings& around, const Screen& screen, Findings& out) {
  for (const auto& holder : screen.items) {
    if (!holder->container() || around.stopped()) continue;
    std::map<std::string, std::vector<const Item*>> by;
    size_t all = 0;
    for (const auto& item : screen.items) {
      const ButtonData* button = item->button();
      if (item->parent != holder->id || !button || button->caption.empty()) continue;
      if (const auto align = alignOf(around.project, *button)) {
        by[*align].push_back(&*item);
        ++all;
      }
    }
    const auto most = std::max_element(by.begin(), by.end(), [](const auto& a, const auto& b) {
      return a.second.size() < b.second.size();
    });
    if (by.size() < 2 || all < 3 || most->second.size() * 3 < all * 2) continue;
    for (const auto& [align, items] : by) {
      if (align == most->first) continue;
      for (const Item* item : items) tellAlignment(screen, *item, align, most->first, out);
    }
  }
}

}  // namespace bristle
