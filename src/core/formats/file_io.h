// Files: read whole, written so that the old one is never harmed.
#pragma once
#include <cstdint>
#include <string>

#include "core/document/basics.h"

namespace bristle {

// What tells whether somebody else has written a file since.
struct FileStamp {
  std::int64_t modified = 0, size = -1;  // ns since the epoch; bytes, −1 where there is no file
  std::uint64_t inode = 0;
  bool operator==(const FileStamp&) const = default;
};
FileStamp stampOf(const std::string& path);

// At most `most` bytes; larger files and folders are an error.
Result<std::string> readFile(const std::string& path, std::size_t most = std::size_t{1} << 30);

// Into a temporary file beside it, flushed to the disk, then renamed over it: after a crash or on a
// full disk either the old file or the new one is there, whole.
Result<FileStamp> writeFile(const std::string& path, const std::string& text);

}  // namespace bristle
