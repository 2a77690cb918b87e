#include "runtime/layout/baseline.h"

#include <algorithm>

#include "runtime/document/project.h"
#include "runtime/layout/text_measure.h"

namespace bristle {

Baseline baselineOf(const Project& project, const Item& item, const LanguageId& language,
                    const TextMeasure& measure) {
  const auto* button = item.button();
  const Kind* kind = button ? find(project, button->kind) : nullptr;
  if (!kind) return {};
  const auto label = std::find_if(kind->parts.begin(), kind->parts.end(),
                                  [](const Part& part) { return part.type == PartType::Label; });
  if (label == kind->parts.end()) return {};
  const auto value = [&](Prop prop) {
    return settled(valueIn(*kind, &button->own, {}, {label->id, prop}),
                   *findProperty(PartType::Label, prop), naming(project));
  };
  const auto number = [&](Prop prop) { return std::get<double>(value(prop)); };
  const Four padding = std::get<Four>(value(Prop::Padding));
  const std::string pin = std::get<std::string>(value(Prop::PinY));
  const Px own = number(Prop::Height);
  // The label's middle: of all of the height where it has none of its own.
  Baseline out{0.5, number(Prop::OffsetY) + (padding.a - padding.c) / 2};
  if (own > 0 && pin == "start") out = {0, out.offset + own / 2};
  if (own > 0 && pin == "end") out = {1, out.offset - own / 2};
  const TextExtent text =
      measure.measure(std::get<std::string>(value(Prop::Family)), number(Prop::Size),
                      number(Prop::Weight), wordsIn(project, button->caption, language));
  out.offset += text.caps / 2;
  return out;
}

}  // namespace bristle
