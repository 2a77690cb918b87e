#include "core/formats/take_files.h"

#include <algorithm>
#include <filesystem>

#include "core/formats/file_io.h"
#include "runtime/formats/take_file.h"

namespace bristle {
namespace {
constexpr size_t kMostBytes = 64 << 20;
constexpr std::string_view kTakeEnding = ".take.jsonl";
}  // namespace

std::vector<std::string> takeFilesIn(const std::string& folder) {
  namespace fs = std::filesystem;
  std::vector<std::string> out;
  if (folder.empty()) return out;
  for (const std::string& place : {folder, folder + "/takes"}) {
    std::vector<std::string> here;
    std::error_code none;
    for (fs::directory_iterator it(place, none), end; !none && it != end; it.increment(none)) {
      const std::string name = it->path().filename().string();
      if (name.ends_with(kTakeEnding) && name.front() != '.') here.push_back(place + "/" + name);
    }
    std::sort(here.begin(), here.end());
    out.insert(out.end(), here.begin(), here.end());
  }
  return out;
}

Result<Take> readTake(const std::string& path) {
  const auto text = readFile(path, kMostBytes);
  if (!text) return tl::unexpected(text.error());
  auto take = parseTake(*text);
  if (!take) return fail(path + ", " + take.error().place, take.error().reason);
  return take;
}

}  // namespace bristle
