// Screens in the project file.
#pragma once
#include "runtime/document/project.h"
#include "runtime/formats/json_reader.h"
#include "runtime/formats/unique_ids.h"

namespace bristle {

// The project's kinds tell which sorts of parts a button's own look is of.
Json toJson(const Screen& screen, const Project& project);

// What is read along with a screen. In a file of format 1 the items come as they stand there, not
// yet as a tree: format_one.h makes one of them.
struct ReadingScreens {
  const Project& project;  // with its kinds
  UniqueIds& ids;
  int format = kFormatVersion;
};
// Complains at `reader`; what comes back is of use only where it has no error.
Screen readScreen(JsonReader& reader, const Json& value, const JsonPlace& at,
                  const ReadingScreens& with);

Json toJson(const Group& group, const Project& project);
Group readGroup(JsonReader& reader, const Json& value, const JsonPlace& at,
                const ReadingScreens& with);

}  // namespace bristle
