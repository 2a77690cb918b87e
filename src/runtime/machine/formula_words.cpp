#include "runtime/machine/formula_words.h"

namespace bristle {

bool isWordly(char c) {
  return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9') || c == '.' ||
         c == '_' || c == '@';
}

std::string withOtherValues(std::string_view formula,
                            const std::function<ValueId(const ValueId&)>& other) {
  std::string out;
  for (size_t from = 0, to = 0; from < formula.size(); from = to) {
    const bool word = isWordly(formula[from]);
    for (to = from; to < formula.size() && isWordly(formula[to]) == word;) ++to;
    const std::string_view token = formula.substr(from, to - from);
    if (word && token.starts_with('@'))
      out += '@' + other(ValueId{std::string(token.substr(1))}).text;
    else
      out += token;
  }
  return out;
}

void eachMark(std::string_view formula,
              const std::function<void(std::string_view what, std::string_view id)>& use) {
  std::string_view what;  // the function whose bracket was opened
  for (size_t from = 0, to = 0; from < formula.size(); from = to) {
    const bool word = isWordly(formula[from]);
    for (to = from; to < formula.size() && isWordly(formula[to]) == word;) ++to;
    const std::string_view token = formula.substr(from, to - from);
    if (!word) continue;
    if (token.starts_with('@') && !what.empty()) use(what, token.substr(1));
    what = token == "visited" || token == "open" ? token : std::string_view{};
  }
}

}  // namespace bristle
