#include "core/formats/project_store.h"

namespace bristle {

Result<StoredProject> loadProject(const std::string& path) {
  auto read = readStamped(path);
  if (!read) return tl::unexpected(read.error());
  auto opened = parseProject(read->bytes);
  if (!opened) return fail(path + " " + opened.error().place, opened.error().reason);
  return StoredProject{std::move(*opened), read->stamp};
}

Result<std::string> provenText(const Project& project) {
  std::string text = writeProject(project);
  const auto back = parseProject(text);
  if (!back)
    return fail(project.name,
                "it could not be read again (" + back.error().text() + "), so nothing was written");
  if (writeProject(back->project) != text)
    return fail(project.name, "it would not be read again as it is, so nothing was written");
  return text;
}

Result<FileStamp> saveProject(const std::string& path, const Project& project) {
  const auto text = provenText(project);
  if (!text) return tl::unexpected(text.error());
  return writeFile(path, *text);
}

}  // namespace bristle
