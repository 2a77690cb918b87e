// Takes a project's files along to another folder.
#pragma once
#include <set>
#include <string>

#include "core/formats/file_io.h"

namespace bristle {

// Copies what is there under the same names; what is missing stays missing. A file that is there
// already and differs, or one that lies outside `from` or would come to lie outside `to`, is an
// error, and nothing is copied then.
Result<void> copyFiles(const std::string& from, const std::string& to,
                       const std::set<std::string>& files);

}  // namespace bristle
