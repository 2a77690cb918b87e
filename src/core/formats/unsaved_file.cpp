#include "core/formats/unsaved_file.h"

#include <dirent.h>
#include <fcntl.h>
#include <sys/file.h>
#include <sys/stat.h>
#include <unistd.h>

#include <algorithm>
#include <cerrno>
#include <cstring>
#include <filesystem>

#include "runtime/formats/json_reader.h"

namespace bristle {
namespace {

constexpr std::string_view kEnding = ".unsaved", kLock = ".lock";

Result<LeftBehind> read(const std::string& file) {
  const auto bytes = readFile(file);
  if (!bytes) return tl::unexpected(bytes.error());
  const auto end = bytes->find('\n');
  if (end == bytes->npos) return fail(file, "is cut off");
  const auto json = parseJson(std::string_view(*bytes).substr(0, end));
  if (!json) return tl::unexpected(json.error());
  JsonReader r;
  const JsonPlace top;
  LeftBehind out;
  out.file = file;
  if (r.number(*json, top, "unsaved", 0) != 1) return fail(file, "is of another sort");
  out.head.path = r.text(*json, top, "path");
  const double most = 1e19;
  out.head.at = static_cast<std::int64_t>(r.number(*json, top, "at", 0, 0, 1e15));
  out.head.stamp.size = static_cast<std::int64_t>(r.number(*json, top, "size", -1, -1, 1e15));
  out.head.stamp.inode = static_cast<std::uint64_t>(r.number(*json, top, "inode", 0, 0, most));
  // Nanoseconds need more digits than a double has.
  out.head.stamp.modified = std::strtoll(r.text(*json, top, "modified", "0").c_str(), nullptr, 10);
  if (r.error()) return tl::unexpected(*r.error());
  auto opened = parseProject(std::string_view(*bytes).substr(end + 1));
  if (!opened) return tl::unexpected(opened.error());
  out.project = std::move(opened->project);
  return out;
}

// Whether nobody holds it; then it is nobody's.
bool isFree(const std::string& lockFile) {
  const int fd = ::open(lockFile.c_str(), O_RDWR | O_CLOEXEC);
  if (fd < 0) return true;
  const bool got = ::flock(fd, LOCK_EX | LOCK_NB) == 0;
  ::close(fd);
  return got;
}

std::string lockOf(const std::string& file) {
  return file.substr(0, file.size() - kEnding.size()) + std::string(kLock);
}

}  // namespace

std::string writeUnsaved(const UnsavedHead& head, const std::string& project) {
  const Json line{{"unsaved", 1},
                  {"path", head.path},
                  {"at", head.at},
                  {"size", head.stamp.size},
                  {"inode", head.stamp.inode},
                  {"modified", std::to_string(head.stamp.modified)}};
  return line.dump(-1, ' ', false, Json::error_handler_t::replace) + "\n" + project;
}

std::vector<LeftBehind> leftBehind(const std::string& folder) {
  std::vector<LeftBehind> out;
  DIR* list = ::opendir(folder.c_str());
  if (!list) return out;
  while (const dirent* entry = ::readdir(list)) {
    const std::string_view name = entry->d_name;
    if (name.starts_with('.') || !name.ends_with(kEnding)) continue;
    const std::string file = folder + "/" + std::string(name);
    if (!isFree(lockOf(file))) continue;
    if (auto found = read(file)) out.push_back(std::move(*found));
  }
  ::closedir(list);
  std::sort(out.begin(), out.end(),
            [](const LeftBehind& a, const LeftBehind& b) { return a.head.at > b.head.at; });
  return out;
}

void removeUnsaved(const std::string& file) {
  ::unlink(file.c_str());
  ::unlink(lockOf(file).c_str());
}

UnsavedPlace::UnsavedPlace(std::string folder) : folder_(std::move(folder)) {}

UnsavedPlace::~UnsavedPlace() {
  if (lock_ < 0) return;
  ::unlink(lockFile_.c_str());
  ::close(lock_);
}

// A name that nobody has, and the lock on it before there is anything under it.
Result<void> UnsavedPlace::hold() {
  if (lock_ >= 0) return {};
  std::error_code failed;
  std::filesystem::create_directories(folder_, failed);
  for (int n = 0; n < 1000; ++n) {
    const std::string name = folder_ + "/" + std::to_string(::getpid()) + "-" + std::to_string(n);
    const int fd = ::open((name + std::string(kLock)).c_str(), O_RDWR | O_CREAT | O_CLOEXEC, 0600);
    if (fd < 0) return fail(folder_, std::string("cannot be written: ") + std::strerror(errno));
    struct stat there {};
    const std::string file = name + std::string(kEnding);
    if (::flock(fd, LOCK_EX | LOCK_NB) != 0 || ::stat(file.c_str(), &there) == 0) {
      ::close(fd);
      continue;
    }
    lock_ = fd;
    file_ = file;
    lockFile_ = name + std::string(kLock);
    return {};
  }
  return fail(folder_, "has no free name left");
}

Result<void> UnsavedPlace::write(const std::string& text) {
  if (auto held = hold(); !held) return held;
  auto written = writeFile(file_, text);
  if (!written) return tl::unexpected(written.error());
  return {};
}

void UnsavedPlace::clear() {
  if (!file_.empty()) ::unlink(file_.c_str());
}

}  // namespace bristle
