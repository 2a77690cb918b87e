// The project file: UTF-8 JSON, `NAME.bristle`, described by data/schema/project.schema.json.
//
// It says which version wrote it (`format`) and the oldest that can read it (`readableBy`): a file
// of a newer format opens read-only, one that says it is not readable by this version is refused,
// one of an older format is brought up.
// Unknown members are kept, ids stay, the order is always the same.
#pragma once
#include <string>
#include <string_view>
#include <vector>

#include "runtime/document/project.h"

namespace bristle {

struct OpenedProject {
  Project project;
  bool readOnly = false;  // written by a newer version: saving would lose what it means
  std::string note;       // why, or that it was brought up from an older format; for the person
  // What bringing it up changed beyond how it is written, a line each.
  std::vector<std::string> broughtUp;
};

// The error's place is a JSON pointer, or line and column where the text is no JSON.
Result<OpenedProject> parseProject(std::string_view text);
std::string writeProject(const Project& project);

}  // namespace bristle
