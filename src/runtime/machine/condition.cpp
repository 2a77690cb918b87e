#include "runtime/machine/condition.h"

#include "runtime/machine/formula_words.h"

namespace bristle {

Result<Formula> compileCondition(std::string_view text, const Symbols& symbols) {
  auto formula = compileFormula(text, symbols);
  if (!formula) return formula;
  for (const Signals::Bit signal : {Signals::Over, Signals::Armed, Signals::Down, Signals::Focus,
                                    Signals::Enabled, Signals::Current})
    if (formula->reads(signal))
      return fail("", "expected values alone, without what goes on at a button");
  return formula;
}

void addMarks(Symbols& symbols, std::string_view formula) {
  if (formula.empty()) return;
  eachMark(formula, [&](std::string_view what, std::string_view id) {
    if (symbols.markIndex(what, id) >= 0) return;
    symbols.marks.push_back(std::string(what) + ' ' + std::string(id));
  });
}

namespace {

Symbols valueSymbols(const Project& project) {
  Symbols out;
  for (const ProjectValue& value : project.values) out.values.push_back(value.id);
  return out;
}

}  // namespace

Symbols conditionSymbols(const Project& project, std::string_view also) {
  Symbols out = valueSymbols(project);
  addMarks(out, also);
  for (const Shortcut& shortcut : project.shortcuts)
    for (const Action& action : shortcut.actions) addMarks(out, action.when);
  for (const auto& screen : project.screens)
    for (const Action& action : screen->idle.actions) addMarks(out, action.when);
  for (const auto& screen : project.screens)
    for (const auto& item : screen->items)
      eachCondition(*item, [&](const std::string& formula) { addMarks(out, formula); });
  return out;
}

std::vector<double> startValues(const Project& project, const Symbols& symbols) {
  std::vector<double> out;
  for (const ProjectValue& value : project.values) out.push_back(value.start);
  out.resize(symbols.values.size() + symbols.marks.size());
  return out;
}

Result<Formula> readCondition(const Project& project, std::string_view text) {
  Symbols symbols = valueSymbols(project);
  addMarks(symbols, text);
  return compileCondition(text, symbols);
}

bool startsSo(const Project& project, std::string_view condition) {
  Symbols symbols = valueSymbols(project);
  addMarks(symbols, condition);
  const auto formula = compileCondition(condition, symbols);
  return !formula || formula->holds({}, startValues(project, symbols));
}

bool startsEnabled(const Project& project, const ButtonData& button) {
  if (button.disabled || button.when.enabled.empty()) return !button.disabled;
  return startsSo(project, button.when.enabled);
}

}  // namespace bristle
