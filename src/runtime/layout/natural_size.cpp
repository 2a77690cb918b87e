// What an item measures by itself: its kind's size, or its caption's where the kind follows that.
#include <algorithm>

#include "runtime/document/project.h"
#include "runtime/layout/layout.h"

namespace bristle {
namespace {

size_t letters(const std::string& text) {
  return static_cast<size_t>(
      std::count_if(text.begin(), text.end(), [](char c) { return (c & 0xc0) != 0x80; }));
}

}  // namespace

TextExtent PlainMeasure::measure(const std::string&, double size, double,
                                 const std::string& text) const {
  return {{static_cast<double>(letters(text)) * size / 2, size * 1.2}, size * 0.7};
}

Size naturalSize(const Project& project, const Item& item, const LanguageId& language,
                 const TextMeasure& measure) {
  const auto* button = item.button();
  if (!button) return {320, 200};
  const Kind* kind = find(project, button->kind);
  if (!kind) return {160, 48};  // a broken reference still shows where it stood
  Size size{kind->width, kind->height};
  if (!kind->fitsCaption) return size;
  for (const Part& part : kind->parts) {
    if (part.type != PartType::Label) continue;
    const auto text = [&](Prop prop) {
      return settled(valueIn(*kind, &button->own, {}, {part.id, prop}),
                     *findProperty(PartType::Label, prop), naming(project));
    };
    const Size caption = measure.measure(
        std::get<std::string>(text(Prop::Family)), std::get<double>(text(Prop::Size)),
        std::get<double>(text(Prop::Weight)), wordsIn(project, button->caption, language));
    size.w = std::max(size.w, caption.w + 2 * kind->captionPadding);
  }
  return size;
}

}  // namespace bristle
