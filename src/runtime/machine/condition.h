// What a placed button asks of the project's values: when it is enabled, and when it is current.
#pragma once
#include <string_view>

#include "runtime/document/project.h"
#include "runtime/machine/formula.h"

namespace bristle {

// The project's values, and what any condition or action of it, or `also`, asks beside them.
Symbols conditionSymbols(const Project& project, std::string_view also = {});
// Those that a formula asks for are added.
void addMarks(Symbols& symbols, std::string_view formula);
// What those are worth when a menu begins: values as they start, nothing visited, nothing open.
std::vector<double> startValues(const Project& project, const Symbols& symbols);

// A formula that depends on no button: a signal in it is an error, like all that cannot be read.
Result<Formula> compileCondition(std::string_view text, const Symbols& symbols);

// The same of a project: with what it asks beside values.
Result<Formula> readCondition(const Project& project, std::string_view text);

// Whether a condition holds with all values at their start. What cannot be read counts as holding.
bool startsSo(const Project& project, std::string_view condition);
// Whether the button is enabled when its screen opens first.
bool startsEnabled(const Project& project, const ButtonData& button);

}  // namespace bristle
