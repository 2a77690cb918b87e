// Files of which the bytes are packed on other threads, while what comes next is drawn.
#pragma once
#include <QFuture>
#include <functional>
#include <string>
#include <vector>

#include "deliver/hand_over.h"

namespace bristle {

class LaterFiles {
 public:
  using Make = std::function<Result<std::string>()>;

  LaterFiles() = default;
  LaterFiles(LaterFiles&&) = default;
  LaterFiles& operator=(LaterFiles&&) = default;
  ~LaterFiles();  // waits: what they are made of need live no longer

  void add(std::string path, std::string bytes);
  // `make` may be called at once, on any thread, and must own what it works with.
  void add(std::string path, Make make);
  // Takes them over, each into that folder.
  void add(LaterFiles&& others, const std::string& folder = {});
  // In the order in which they were added; the first error where one could not be made.
  Result<std::vector<MadeFile>> wait();

 private:
  struct File {
    std::string path, bytes;
    QFuture<Result<std::string>> later;  // invalid: the bytes are there
  };
  std::vector<File> files_;
};

}  // namespace bristle
