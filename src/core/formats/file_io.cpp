#include "core/formats/file_io.h"

#include <dirent.h>
#include <fcntl.h>
#include <sys/file.h>
#include <sys/stat.h>
#include <unistd.h>

#include <cerrno>
#include <climits>
#include <cstdlib>
#include <cstring>
#include <set>

namespace bristle {
namespace {

constexpr std::string_view kMark = ".bristle-part-";  // in the names of temporary files

// Closes on the way out, whatever happened.
class Descriptor {
 public:
  explicit Descriptor(int fd) : fd_(fd) {}
  ~Descriptor() {
    if (fd_ >= 0) ::close(fd_);
  }
  Descriptor(const Descriptor&) = delete;
  Descriptor& operator=(const Descriptor&) = delete;
  int get() const { return fd_; }
  int release() { return std::exchange(fd_, -1); }

 private:
  int fd_;
};

std::string why() {
  return std::strerror(errno);
}

bool writeAll(int fd, std::string_view bytes) {
  while (!bytes.empty()) {
    const ssize_t n = ::write(fd, bytes.data(), bytes.size());
    if (n < 0 && errno == EINTR) continue;
    if (n <= 0) return false;
    bytes.remove_prefix(static_cast<size_t>(n));
  }
  return true;
}

std::string nameOf(const std::string& path) {
  const auto slash = path.rfind('/');
  return slash == path.npos ? path : path.substr(slash + 1);
}

FileStamp stampFrom(const struct stat& s) {
  return {s.st_mtim.tv_sec * 1'000'000'000LL + s.st_mtim.tv_nsec, s.st_size, s.st_ino};
}

// Where the bytes go: a link to a file is written through, so that it stays one.
Result<std::string> targetOf(const std::string& path) {
  if (path.empty()) return fail("file name", "expected a file’s name, found nothing");
  struct stat s {};
  if (::lstat(path.c_str(), &s) != 0) return path;
  std::string target = path;
  if (S_ISLNK(s.st_mode)) {
    char* real = ::realpath(path.c_str(), nullptr);
    if (!real) return fail(path, "is a link that leads nowhere; nothing is written");
    target = real;
    std::free(real);
    if (::stat(target.c_str(), &s) != 0) return fail(path, "cannot be looked at: " + why());
  }
  if (S_ISDIR(s.st_mode)) return fail(path, "is a folder, not a file");
  if (!S_ISREG(s.st_mode)) return fail(path, "is a device or a pipe, not a file");
  return target;
}

// What runs that were killed have left in the folder, of one file or of any. A running one holds a
// lock on its own.
void removeLeftovers(const std::string& folder, const std::string& of = {}) {
  DIR* list = ::opendir(folder.c_str());
  if (!list) return;
  while (const dirent* entry = ::readdir(list)) {
    const std::string_view name = entry->d_name;
    const auto mark = name.find(kMark);
    if (!name.starts_with('.') || mark == name.npos || name.size() != mark + kMark.size() + 6)
      continue;
    if (!of.empty() && name.substr(1, mark - 1) != of) continue;
    const std::string full = folder + "/" + entry->d_name;
    Descriptor fd(::open(full.c_str(), O_RDONLY | O_CLOEXEC | O_NOFOLLOW | O_NONBLOCK));
    if (fd.get() >= 0 && ::flock(fd.get(), LOCK_EX | LOCK_NB) == 0) ::unlink(full.c_str());
  }
  ::closedir(list);
}

// A temporary file beside the target, with its mode, locked and written; not flushed yet.
Result<int> writeBeside(const std::string& target, const std::string& wanted,
                        std::string_view bytes, std::string& temporary) {
  const std::string name = nameOf(target);
  // A name that is as long as names may be leaves no room for the mark.
  if (name.size() + kMark.size() + 8 > NAME_MAX) return fail(wanted, "its name is too long");
  temporary = folderOf(target) + "/." + name + std::string(kMark) + "XXXXXX";
  Descriptor fd(::mkostemp(temporary.data(), O_CLOEXEC));
  if (fd.get() < 0) return fail(wanted, "cannot be written: " + why());
  ::flock(fd.get(), LOCK_EX | LOCK_NB);
  const auto giveUp = [&]() {
    const std::string reason = why();
    ::unlink(temporary.c_str());
    return fail(wanted, "cannot be written, what was there is as it was: " + reason);
  };
  struct stat old {};
  const mode_t mode = ::stat(target.c_str(), &old) == 0 ? old.st_mode & 07777 : 0644;
  if (::fchmod(fd.get(), mode) != 0 || !writeAll(fd.get(), bytes)) return giveUp();
  return fd.release();
}

void flushFolder(const std::string& folder) {
  Descriptor fd(::open(folder.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC));
  if (fd.get() >= 0) ::fsync(fd.get());
}

}  // namespace

std::string folderOf(const std::string& path) {
  const auto slash = path.rfind('/');
  return slash == path.npos ? "." : slash == 0 ? "/" : path.substr(0, slash);
}

Result<std::string> fileInside(const std::string& folder, const std::string& name) {
  const auto real = [](const std::string& path) {
    char* found = ::realpath(path.c_str(), nullptr);
    std::string out = found ? found : "";
    std::free(found);
    return out;
  };
  if (name.empty()) return fail("file name", "expected a file’s name, found nothing");
  const std::string root = real(folder.empty() ? "." : folder);
  const std::string path = real(name.starts_with('/') ? name : root + "/" + name);
  if (root.empty() || path.empty()) return fail(name, "is missing");
  if (!path.starts_with(root == "/" ? root : root + "/"))
    return fail(name, "lies outside the project’s folder");
  return path;
}

FileStamp stampOf(const std::string& path) {
  struct stat s {};
  if (::stat(path.c_str(), &s) != 0) return {};
  return stampFrom(s);
}

Result<FileRead> readStamped(const std::string& path, std::size_t most) {
  if (path.empty()) return fail("file name", "expected a file’s name, found nothing");
  // A pipe without a writer would be waited for, for ever.
  const bool mayBePipe = path.starts_with("/dev/") || path.starts_with("/proc/self/fd/");
  Descriptor fd(::open(path.c_str(), O_RDONLY | O_CLOEXEC | (mayBePipe ? 0 : O_NONBLOCK)));
  if (fd.get() < 0) return fail(path, "cannot be opened: " + why());
  struct stat s {};
  if (::fstat(fd.get(), &s) != 0) return fail(path, "cannot be read: " + why());
  if (S_ISDIR(s.st_mode)) return fail(path, "is a folder, not a file");
  if (!S_ISREG(s.st_mode) && !mayBePipe) return fail(path, "is a device or a pipe, not a file");
  const auto tooLarge = [&] {
    return fail(path, "is larger than " + std::to_string(most >> 20) + " MiB");
  };
  if (S_ISREG(s.st_mode) && static_cast<std::size_t>(s.st_size) > most) return tooLarge();
  FileRead out;
  out.bytes.reserve(static_cast<size_t>(std::max<off_t>(s.st_size, 0)));
  char buffer[1 << 16];
  while (true) {
    const ssize_t n = ::read(fd.get(), buffer, sizeof buffer);
    if (n < 0 && errno == EINTR) continue;
    if (n < 0) return fail(path, "cannot be read: " + why());
    if (n == 0) break;
    out.bytes.append(buffer, static_cast<size_t>(n));
    if (out.bytes.size() > most) return tooLarge();
  }
  // Of the file that was read, whatever lies under its name by now, and as it was when that began.
  out.stamp = stampFrom(s);
  return out;
}

Result<std::string> readFile(const std::string& path, std::size_t most) {
  auto read = readStamped(path, most);
  if (!read) return tl::unexpected(read.error());
  return std::move(read->bytes);
}

Result<FileStamp> writeFile(const std::string& wanted, std::string_view bytes) {
  const auto target = targetOf(wanted);
  if (!target) return tl::unexpected(target.error());
  removeLeftovers(folderOf(*target), nameOf(*target));
  std::string temporary;
  const auto written = writeBeside(*target, wanted, bytes, temporary);
  if (!written) return tl::unexpected(written.error());
  Descriptor fd(*written);
  struct stat now {};
  if (::fsync(fd.get()) != 0 || ::fstat(fd.get(), &now) != 0 ||
      ::rename(temporary.c_str(), target->c_str()) != 0) {
    const std::string reason = why();
    ::unlink(temporary.c_str());
    return fail(wanted, "cannot be written, what was there is as it was: " + reason);
  }
  // The rename itself is only on the disk once its folder is.
  flushFolder(folderOf(*target));
  return stampFrom(now);
}

FileBatch::~FileBatch() {
  for (const Pending& file : pending_) ::unlink(file.temporary.c_str());
}

Result<void> FileBatch::add(const std::string& path, std::string_view bytes) {
  const auto target = targetOf(path);
  if (!target) return tl::unexpected(target.error());
  Pending file{path, *target, {}};
  const auto written = writeBeside(*target, path, bytes, file.temporary);
  if (!written) return tl::unexpected(written.error());
  // Descriptors are few; the file's bytes are flushed with the others.
  ::close(*written);
  pending_.push_back(std::move(file));
  return {};
}

Result<void> FileBatch::commit() {
  std::set<std::string> folders;
  for (const Pending& file : pending_) folders.insert(folderOf(file.path));
  for (const std::string& folder : folders) {
    Descriptor fd(::open(folder.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC));
    if (fd.get() < 0 || ::syncfs(fd.get()) != 0)
      return fail(folder, "cannot be written, what was there is as it was: " + why());
  }
  while (!pending_.empty()) {
    const Pending file = pending_.back();
    if (::rename(file.temporary.c_str(), file.path.c_str()) != 0)
      return fail(file.wanted, "cannot be written, it is as it was: " + why());
    pending_.pop_back();
  }
  for (const std::string& folder : folders) {
    flushFolder(folder);
    removeLeftovers(folder);
  }
  return {};
}

}  // namespace bristle
