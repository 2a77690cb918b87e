// What a placed button asks of the project's values: when it is enabled, and when it is current.
#pragma once
#include <string_view>

#include "runtime/document/project.h"
#include "runtime/machine/formula.h"

namespace bristle {

// A formula that depends on no button: a signal in it is an error, like all that cannot be read.
Result<Formula> compileCondition(std::string_view text, const Symbols& symbols);

// Whether a condition holds with all values at their start. What cannot be read counts as holding.
bool startsSo(const Project& project, std::string_view condition);
// Whether the button is enabled when its screen opens first.
bool startsEnabled(const Project& project, const ButtonData& button);

}  // namespace bristle
