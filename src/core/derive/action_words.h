// What buttons do, in words.
#pragma once
#include <string>

#include "runtime/document/project.h"

namespace bristle {

// “put Hull bay on top, only if @sections = 3”. What is not there is told by its id.
std::string inWords(const Project& project, const Action& action);
// Of several the first, and how many more; “does nothing yet” of none.
std::string inWords(const Project& project, const Actions& actions);

// A number as the value has it: “yes”, an option’s name, a number.
std::string inWords(const ProjectValue& value, double number);

}  // namespace bristle
