#include "deliver/later_files.h"

#include <QtConcurrent/QtConcurrentRun>

namespace bristle {

LaterFiles::~LaterFiles() {
  for (File& file : files_)
    if (file.later.isValid()) file.later.waitForFinished();
}

void LaterFiles::add(std::string path, std::string bytes) {
  files_.push_back({std::move(path), std::move(bytes), {}});
}

void LaterFiles::add(std::string path, Make make) {
  files_.push_back({std::move(path), {}, QtConcurrent::run(std::move(make))});
}

void LaterFiles::add(LaterFiles&& others, const std::string& folder) {
  for (File& file : others.files_) {
    if (!folder.empty()) file.path = folder + "/" + file.path;
    files_.push_back(std::move(file));
  }
  others.files_.clear();
}

Result<std::vector<MadeFile>> LaterFiles::wait() {
  std::vector<MadeFile> out;
  for (File& file : files_) {
    if (file.later.isValid()) {
      auto made = file.later.result();
      if (!made) return tl::unexpected(made.error());
      file.bytes = std::move(*made);
    }
    out.push_back({std::move(file.path), std::move(file.bytes)});
  }
  files_.clear();
  return out;
}

}  // namespace bristle
