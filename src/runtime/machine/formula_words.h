// The words that formulas are made of.
#pragma once
#include <functional>
#include <string>
#include <string_view>

#include "runtime/document/ids.h"

namespace bristle {

// Of which names and numbers are made.
bool isWordly(char c);

// The formula with other values in the place of those that it names; all else as it is, whether it
// can be read or not.
std::string withOtherValues(std::string_view formula,
                            const std::function<ValueId(const ValueId&)>& other);

// Calls with each button and screen that a formula asks for: visited(@id) and open(@id).
void eachMark(std::string_view formula,
              const std::function<void(std::string_view what, std::string_view id)>& use);

}  // namespace bristle
