#include "runtime/layout/known_measure.h"

namespace bristle {

KnownMeasure::KnownMeasure(const std::vector<TextSize>& sizes) {
  for (const TextSize& s : sizes) sizes_[{s.family, s.size, s.weight, s.text}] = s.is;
}

TextExtent KnownMeasure::measure(const std::string& family, double size, double weight,
                                 const std::string& text) const {
  const auto at = sizes_.find({family, size, weight, text});
  return at == sizes_.end() ? PlainMeasure().measure(family, size, weight, text) : at->second;
}

TextExtent RecordingMeasure::measure(const std::string& family, double size, double weight,
                                     const std::string& text) const {
  const TextExtent is = of_.measure(family, size, weight, text);
  if (known_.insert({family, size, weight, text}).second)
    asked_.push_back({family, size, weight, text, is});
  return is;
}

}  // namespace bristle
