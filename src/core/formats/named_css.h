// Named values as custom properties of CSS (CSS Custom Properties Level 1), for web pages.
#pragma once
#include <string>

#include "runtime/document/project.h"

namespace bristle {

// “--name: value;” for each in :root, and those that differ in the dark set once more for
// prefers-color-scheme: dark. Aliases are written as var(). Names are made of letters, digits and
// hyphens; two that come out alike get a number.
std::string writeNamedCss(const Project& project);

}  // namespace bristle
