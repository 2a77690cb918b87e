// Text sizes that were measured once, for where there are no fonts: layout is the same then.
#pragma once
#include <map>
#include <set>
#include <string>
#include <tuple>
#include <vector>

#include "runtime/layout/text_measure.h"

namespace bristle {

// One line of text in px; `size` in px, `weight` 100–900.
struct TextSize {
  std::string family;
  double size = 0, weight = 400;
  std::string text;
  TextExtent is;
  bool operator==(const TextSize&) const = default;
};

// Family, size, weight, text.
using TextKey = std::tuple<std::string, double, double, std::string>;

// What is not known is guessed as PlainMeasure does.
class KnownMeasure : public TextMeasure {
 public:
  // Of texts that were asked for once.
  explicit KnownMeasure(const std::vector<TextSize>& sizes);
  TextExtent measure(const std::string& family, double size, double weight,
                     const std::string& text) const override;

 private:
  std::map<TextKey, TextExtent> sizes_;
};

// Keeps what it was asked, in the order of the first asking.
class RecordingMeasure : public TextMeasure {
 public:
  // Asks `of`, which must outlive it.
  explicit RecordingMeasure(const TextMeasure& of) : of_(of) {}
  TextExtent measure(const std::string& family, double size, double weight,
                     const std::string& text) const override;
  const std::vector<TextSize>& asked() const { return asked_; }

 private:
  const TextMeasure& of_;
  mutable std::vector<TextSize> asked_;
  mutable std::set<TextKey> known_;
};

}  // namespace bristle
