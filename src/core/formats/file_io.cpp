#include "core/formats/file_io.h"

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <cerrno>
#include <cstdio>
#include <cstdlib>
#include <cstring>

namespace bristle {
namespace {

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
  bool close() {
    const int fd = fd_;
    fd_ = -1;
    return ::close(fd) == 0;
  }

 private:
  int fd_;
};

std::string why() {
  return std::strerror(errno);
}

bool writeAll(int fd, const std::string& text) {
  size_t done = 0;
  while (done < text.size()) {
    const ssize_t n = ::write(fd, text.data() + done, text.size() - done);
    if (n < 0 && errno == EINTR) continue;
    if (n <= 0) return false;
    done += static_cast<size_t>(n);
  }
  return true;
}

std::string folderOf(const std::string& path) {
  const auto slash = path.rfind('/');
  return slash == path.npos ? "." : slash == 0 ? "/" : path.substr(0, slash);
}

// A link is written through, so that it stays one.
std::string realTarget(const std::string& path) {
  char* real = ::realpath(path.c_str(), nullptr);
  if (!real) return path;
  std::string out = real;
  std::free(real);
  return out;
}

}  // namespace

FileStamp stampOf(const std::string& path) {
  struct stat s {};
  if (::stat(path.c_str(), &s) != 0) return {};
  return {s.st_mtim.tv_sec * 1'000'000'000LL + s.st_mtim.tv_nsec, s.st_size, s.st_ino};
}

Result<std::string> readFile(const std::string& path, std::size_t most) {
  Descriptor fd(::open(path.c_str(), O_RDONLY | O_CLOEXEC));
  if (fd.get() < 0) return fail(path, "cannot be opened: " + why());
  struct stat s {};
  if (::fstat(fd.get(), &s) != 0) return fail(path, "cannot be read: " + why());
  if (S_ISDIR(s.st_mode)) return fail(path, "is a folder, not a file");
  if (static_cast<std::size_t>(s.st_size) > most)
    return fail(path, "is larger than " + std::to_string(most >> 20) + " MiB");
  std::string text;
  text.reserve(static_cast<size_t>(s.st_size));
  char buffer[1 << 16];
  while (true) {
    const ssize_t n = ::read(fd.get(), buffer, sizeof buffer);
    if (n < 0 && errno == EINTR) continue;
    if (n < 0) return fail(path, "cannot be read: " + why());
    if (n == 0) return text;
    text.append(buffer, static_cast<size_t>(n));
    if (text.size() > most)
      return fail(path, "is larger than " + std::to_string(most >> 20) + " MiB");
  }
}

Result<FileStamp> writeFile(const std::string& wanted, const std::string& text) {
  const std::string path = realTarget(wanted);
  std::string temporary = path + ".XXXXXX";
  Descriptor fd(::mkostemp(temporary.data(), O_CLOEXEC));
  if (fd.get() < 0) return fail(wanted, "cannot be written: " + why());
  const auto giveUp = [&](const std::string& reason) {
    ::unlink(temporary.c_str());
    return fail(wanted, "cannot be written, the file is as it was: " + reason);
  };
  struct stat old {};
  const mode_t mode = ::stat(path.c_str(), &old) == 0 ? old.st_mode & 07777 : 0644;
  if (::fchmod(fd.get(), mode) != 0) return giveUp(why());
  if (!writeAll(fd.get(), text)) return giveUp(why());
  if (::fsync(fd.get()) != 0) return giveUp(why());
  if (!fd.close()) return giveUp(why());
  if (::rename(temporary.c_str(), path.c_str()) != 0) return giveUp(why());
  // The rename itself is only on the disk once its folder is.
  Descriptor folder(::open(folderOf(path).c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC));
  if (folder.get() >= 0) ::fsync(folder.get());
  return stampOf(path);
}

}  // namespace bristle
