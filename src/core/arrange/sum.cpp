#include "core/arrange/sum.h"

#include <cmath>
#include <string>

#include "runtime/document/numbers.h"

namespace bristle {
namespace {

void replaceAll(std::string& text, std::string_view what, std::string_view with) {
  for (size_t at = 0; (at = text.find(what, at)) != std::string::npos; at += with.size())
    text.replace(at, what.size(), with);
}

// Not the formulas of machines, in which x / 0 is 0 since nothing may fail there: here it is a
// mistake, which gives something that is no number.
class Sum {
 public:
  explicit Sum(std::string_view text) : text_(text) {}
  double whole() {
    const double value = sum(0);
    skip();
    return at_ == text_.size() ? value : NAN;
  }

 private:
  static constexpr int kDeepest = 64;  // brackets in brackets

  double sum(int depth) {
    double value = product(depth);
    while (true) {
      if (take('+'))
        value += product(depth);
      else if (take('-'))
        value -= product(depth);
      else
        return value;
    }
  }
  double product(int depth) {
    double value = signedOne(depth);
    while (true) {
      if (take('*'))
        value *= signedOne(depth);
      else if (take('/'))
        value /= signedOne(depth);
      else
        return value;
    }
  }
  double signedOne(int depth) {
    if (depth > kDeepest) return NAN;
    if (take('-')) return -signedOne(depth + 1);
    if (take('+')) return signedOne(depth + 1);
    if (!take('(')) return number();
    const double value = sum(depth + 1);
    return take(')') ? value : NAN;
  }
  double number() {
    skip();
    const size_t from = at_;
    while (at_ < text_.size() && (text_[at_] == '.' || (text_[at_] >= '0' && text_[at_] <= '9')))
      ++at_;
    const std::string_view text = text_.substr(from, at_ - from);
    const NumberRead read = readNumber(text);
    return read.length > 0 && read.length == text.size() ? read.value : NAN;
  }
  void skip() {
    while (at_ < text_.size() && (text_[at_] == ' ' || text_[at_] == '\t')) ++at_;
  }
  bool take(char c) {
    skip();
    if (at_ == text_.size() || text_[at_] != c) return false;
    ++at_;
    return true;
  }
  std::string_view text_;
  size_t at_ = 0;
};

}  // namespace

std::optional<double> sumOf(std::string_view text) {
  std::string plain(text);
  // As people type and paste them.
  for (const auto& [what, with] : {std::pair{"−", "-"}, {"–", "-"}, {"×", "*"}, {"÷", "/"}})
    replaceAll(plain, what, with);
  const double value = Sum(plain).whole();
  return std::isfinite(value) ? std::optional(value) : std::nullopt;
}

}  // namespace bristle
