// Projects on the disk. What is written has been read back before the old file is given up.
#pragma once
#include <string>

#include "core/formats/file_io.h"
#include "runtime/formats/project_file.h"

namespace bristle {

struct StoredProject {
  OpenedProject opened;
  FileStamp stamp;  // of what was read
};
// The error's place is the file, and where in it.
Result<StoredProject> loadProject(const std::string& path);

// The text of a project that is known to be read again as what it is; an error where it would not
// be, which is a fault of ours and must not cost anybody a file.
Result<std::string> provenText(const Project& project);
Result<FileStamp> saveProject(const std::string& path, const Project& project);

}  // namespace bristle
