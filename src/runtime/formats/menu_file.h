// A delivered menu: the project, and what it asks of fonts and pictures, so that it runs the same
// where there are neither. Three lines of JSON, each an object:
//
//   {"bristleMenu":1,"project":"Saltglass Deep"}   which version of this format, and whose it is
//   {…}                                            the project, as in its file (project_file.h)
//   {…}                                            what was measured (measured_file.h)
#pragma once
#include <string>
#include <string_view>

#include "runtime/document/project.h"
#include "runtime/formats/measured_file.h"

namespace bristle {

inline constexpr int kMenuVersion = 1;

struct DeliveredMenu {
  Project project;
  Measured measured;
};

// What only matters while it is made is left out: guides, findings that were accepted.
std::string writeMenu(const Project& project, const Measured& measured);

// A menu of a newer version of the format cannot be read: that is told apart from a broken one.
struct MenuError {
  Error error;
  bool tooNew = false;
};
// The place is the line, and where in it.
tl::expected<DeliveredMenu, MenuError> parseMenu(std::string_view text);

}  // namespace bristle
