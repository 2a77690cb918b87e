// What was not saved yet, kept beside the user's state (never in the project's folder), so that a
// program that was killed loses next to nothing. One file for each window: a line that says what it
// is, then the project as it would be saved. The window holds a lock while it lives: a file without
// one was left behind.
#pragma once
#include <optional>
#include <string>
#include <vector>

#include "core/formats/file_io.h"
#include "runtime/formats/project_file.h"

namespace bristle {

struct UnsavedHead {
  std::string path;     // of the project's own file; empty: it has none yet
  FileStamp stamp;      // of that file when it was opened or saved last
  std::int64_t at = 0;  // when this was written, ms since the epoch
};
// A line of JSON with the head, then the project’s text.
std::string writeUnsaved(const UnsavedHead& head, const std::string& project);

struct LeftBehind {
  std::string file;  // where it lies
  UnsavedHead head;
  Project project;
};
// Those in the folder that no running window holds, the newest first. What cannot be read in full
// is left where it is and not told.
std::vector<LeftBehind> leftBehind(const std::string& folder);
void removeUnsaved(const std::string& file);

// The place of one window: a name of its own and the lock on it. Neither writes anything until
// told.
class UnsavedPlace {
 public:
  // In this folder, which is made when it is first written to.
  explicit UnsavedPlace(std::string folder);
  ~UnsavedPlace();
  UnsavedPlace(const UnsavedPlace&) = delete;
  UnsavedPlace& operator=(const UnsavedPlace&) = delete;
  Result<void> write(const std::string& text);  // from any one thread at a time
  // Takes the file away, and its lock.
  void clear();
  const std::string& file() const { return file_; }

 private:
  Result<void> hold();
  std::string folder_, file_, lockFile_;
  int lock_ = -1;
};

}  // namespace bristle
