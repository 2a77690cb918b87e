// Files: read whole, written so that the old one is never harmed. Every file that Bristle writes, a
// project or something handed over, is written here.
#pragma once
#include <cstdint>
#include <string>
#include <string_view>
#include <vector>

#include "runtime/document/basics.h"

namespace bristle {

// What tells whether somebody else has written a file since.
struct FileStamp {
  std::int64_t modified = 0, size = -1;  // ns since the epoch; bytes, −1 where there is no file
  std::uint64_t inode = 0;
  bool operator==(const FileStamp&) const = default;
};
// Size and time of a file as it is now; a size of −1 where there is none.
FileStamp stampOf(const std::string& path);

struct FileRead {
  std::string bytes;
  FileStamp stamp;  // of just this content
};
// At most `most` bytes. Larger files, folders, pipes and devices are an error (what is below /dev,
// as the standard input, may be a pipe).
Result<FileRead> readStamped(const std::string& path, std::size_t most = std::size_t{1} << 30);
Result<std::string> readFile(const std::string& path, std::size_t most = std::size_t{1} << 30);

// Where a file of a project lies: `name` in `folder`, and never outside it, be it by "../", a whole
// path or a link.
Result<std::string> fileInside(const std::string& folder, const std::string& name);
std::string folderOf(const std::string& path);  // "." where none is named

// Into a temporary file beside it, flushed to the disk, then renamed over it: after a crash or on a
// full disk either the old file or the new one is there, whole. What a killed run left beside it is
// removed. A link to a file is written through; folders, devices and links that lead nowhere are an
// error. The stamp is that of what was written.
Result<FileStamp> writeFile(const std::string& path, std::string_view bytes);

// Many files at once, flushed together: each is whole or as it was. Nothing is in its place before
// commit(); without it nothing is changed.
//
//   FileBatch batch;
//   for (…) if (auto added = batch.add(path, bytes); !added) return added;
//   return batch.commit();
class FileBatch {
 public:
  FileBatch() = default;
  ~FileBatch();
  FileBatch(const FileBatch&) = delete;
  FileBatch& operator=(const FileBatch&) = delete;
  // Writes a temporary file beside `path`; nothing is seen of it before commit().
  Result<void> add(const std::string& path, std::string_view bytes);
  // Puts all in their places, or none: where one fails those before it go back.
  Result<void> commit();

 private:
  struct Pending {
    std::string wanted, path, temporary;
  };
  std::vector<Pending> pending_;
};

}  // namespace bristle
