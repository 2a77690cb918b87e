// Formulas as people read and type them: with names where files have ids.
//
//   withNames(project, "@v3 >= 2 and visited(@s2)")          "@sections >= 2 and visited(@[Hull
//   bay])"
#pragma once
#include <string>
#include <string_view>

#include "runtime/document/project.h"

namespace bristle {

// A name that is no word of its own stands in brackets; what has no name, or shares it, keeps its
// id.
std::string withNames(const Project& project, std::string_view formula);
// The same the other way round: values, and in visited() and open() buttons and screens, by name or
// by id. Buttons are looked for on `near` first. The error tells the name that nothing has.
Result<std::string> withIds(const Project& project, std::string_view formula,
                            const ScreenId& near = {});

}  // namespace bristle
