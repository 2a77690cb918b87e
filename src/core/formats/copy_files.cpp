#include "core/formats/copy_files.h"

#include <filesystem>

namespace bristle {
namespace {

namespace fs = std::filesystem;

// Whether the name stays below the folder that it is put in; links on the way are looked at as
// well.
bool staysBelow(const std::string& folder, const std::string& name) {
  const fs::path path(name);
  if (path.is_absolute()) return false;
  for (const auto& part : path)
    if (part == "..") return false;
  std::error_code failed;
  const fs::path root = fs::weakly_canonical(folder, failed);
  const fs::path full = fs::weakly_canonical(fs::path(folder) / path, failed);
  return !failed && full.string().starts_with(root.string() + "/");
}

}  // namespace

Result<void> copyFiles(const std::string& from, const std::string& to,
                       const std::set<std::string>& files) {
  std::error_code failed;
  if (fs::equivalent(from, to, failed)) return {};
  FileBatch batch;
  for (const std::string& file : files) {
    if (!staysBelow(to, file)) return fail(file, "would lie outside the folder and is not taken");
    const auto source = fileInside(from, file);
    if (!source && fs::exists(fs::path(from) / file, failed)) return tl::unexpected(source.error());
    if (!source) continue;
    const auto bytes = readFile(*source);
    if (!bytes) return tl::unexpected(bytes.error());
    const std::string target = (fs::path(to) / file).string();
    if (fs::exists(target, failed)) {
      const auto there = readFile(target);
      if (there && *there == *bytes) continue;
      return fail(target, "is there already and differs; rename one of them first");
    }
    fs::create_directories(folderOf(target), failed);
    if (failed) return fail(folderOf(target), "cannot be made: " + failed.message());
    if (auto added = batch.add(target, *bytes); !added) return added;
  }
  return batch.commit();
}

}  // namespace bristle
