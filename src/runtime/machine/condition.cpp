#include "runtime/machine/condition.h"

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

bool startsSo(const Project& project, std::string_view condition) {
  Symbols symbols;
  std::vector<double> values;
  for (const ProjectValue& value : project.values) {
    symbols.values.push_back(value.id);
    values.push_back(value.start);
  }
  const auto formula = compileCondition(condition, symbols);
  return !formula || formula->holds({}, values);
}

bool startsEnabled(const Project& project, const ButtonData& button) {
  if (button.disabled || button.when.enabled.empty()) return !button.disabled;
  return startsSo(project, button.when.enabled);
}

}  // namespace bristle
