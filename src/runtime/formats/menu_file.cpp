#include "runtime/formats/menu_file.h"

#include <array>

#include "runtime/formats/json_reader.h"
#include "runtime/formats/project_file.h"

namespace bristle {
namespace {

std::string onOneLine(const std::string& text) {
  return parseJson(text).value_or(Json()).dump() + "\n";
}

tl::unexpected<MenuError> broken(const std::string& place, const std::string& reason,
                                 bool tooNew = false) {
  return tl::unexpected(MenuError{{place, reason}, tooNew});
}

// The line before the next end of one, which goes too.
std::string_view nextLine(std::string_view& text) {
  const size_t end = std::min(text.find('\n'), text.size());
  const std::string_view line = text.substr(0, end);
  text.remove_prefix(std::min(end + 1, text.size()));
  return line;
}

}  // namespace

std::string writeMenu(const Project& project, const Measured& measured) {
  Project lean = project;
  lean.accepted.clear();
  lean.deliveries.clear();
  lean.foreignTokens = {};
  for (auto& screen : lean.screens)
    if (!screen->guides.empty()) screen.edit().guides.clear();
  const Json head{{"bristleMenu", kMenuVersion}, {"project", project.name}};
  return head.dump() + "\n" + onOneLine(writeProject(lean)) + writeMeasured(measured);
}

tl::expected<DeliveredMenu, MenuError> parseMenu(std::string_view text) {
  const auto head = parseJson(nextLine(text));
  const JsonPlace top;
  JsonReader r;
  if (!head) return broken("line 1", "no delivered menu: " + head.error().reason);
  if (!r.isObject(*head, top) || !r.member(*head, "bristleMenu"))
    return broken("line 1", "no delivered menu: expected {\"bristleMenu\":1, …}");
  const double version = r.number(*head, top, "bristleMenu", 0);
  if (r.error()) return broken("line 1", r.error()->text());
  if (version > kMenuVersion)
    return broken("line 1", "a newer Bristle wrote this menu, for a newer library", true);
  DeliveredMenu out;
  auto project = parseProject(nextLine(text));
  if (!project) return broken("line 2, " + project.error().place, project.error().reason);
  out.project = std::move(project->project);
  auto measured = parseMeasured(nextLine(text));
  if (!measured) return broken("line 3, " + measured.error().place, measured.error().reason);
  out.measured = std::move(*measured);
  return out;
}

}  // namespace bristle
