#include "core/derive/formula_names.h"

#include <fmt/format.h>

#include <algorithm>

#include "runtime/machine/formula_words.h"

namespace bristle {
namespace {

// What can be named in a formula. Buttons only stand in visited().
struct Named {
  std::string id, name;
};

std::vector<Named> valuesOf(const Project& project) {
  std::vector<Named> out;
  for (const ProjectValue& each : project.values) out.push_back({each.id.text, each.name});
  return out;
}

std::vector<Named> placesOf(const Project& project, const ScreenId& near) {
  std::vector<Named> out, buttons;
  for (const auto& screen : project.screens) {
    out.push_back({screen->id.text, screen->name});
    const bool first = screen->id == near;
    for (const auto& item : screen->items)
      if (item->button())
        buttons.insert(first ? buttons.begin() : buttons.end(),
                       {item->id.text, displayName(*item)});
  }
  out.insert(out.end(), buttons.begin(), buttons.end());
  return out;
}

bool isOneWord(std::string_view name) {
  return !name.empty() &&
         std::all_of(name.begin(), name.end(), [](char c) { return isWordly(c) && c != '@'; });
}

bool isFunction(std::string_view word) {
  return word == "visited" || word == "open";
}

// Word for word; `use` gives what stands for an @name, told whether it is asked of by a function.
template <class Use>
std::string translated(std::string_view formula, Use use) {
  std::string out;
  bool asked = false;
  for (size_t from = 0; from < formula.size();) {
    if (formula[from] == '@' && from + 1 < formula.size() && formula[from + 1] == '[') {
      const size_t end = std::min(formula.find(']', from), formula.size());
      out += use(formula.substr(from + 2, end - from - 2), asked);
      from = std::min(end + 1, formula.size());
      asked = false;
      continue;
    }
    const bool word = isWordly(formula[from]);
    size_t to = from + 1;
    while (to < formula.size() && isWordly(formula[to]) == word && formula[to] != '@') ++to;
    const std::string_view token = formula.substr(from, to - from);
    if (word && token.starts_with('@'))
      out += use(token.substr(1), asked);
    else
      out += token;
    if (word) asked = isFunction(token);
    from = to;
  }
  return out;
}

}  // namespace

std::string withNames(const Project& project, std::string_view formula) {
  const auto values = valuesOf(project);
  const auto places =
      formula.find('(') == formula.npos ? std::vector<Named>{} : placesOf(project, {});
  return translated(formula, [&](std::string_view id, bool asked) {
    const auto& all = asked ? places : values;
    const auto at =
        std::find_if(all.begin(), all.end(), [&](const Named& n) { return n.id == id; });
    const bool known = at != all.end() && !at->name.empty() && at->name.find(']') == at->name.npos;
    const bool alone = known && std::count_if(all.begin(), all.end(), [&](const Named& n) {
                                  return n.name == at->name || n.id == at->name;
                                }) == 1;
    if (!alone) return fmt::format("@{}", id);
    return isOneWord(at->name) ? "@" + at->name : fmt::format("@[{}]", at->name);
  });
}

Result<std::string> withIds(const Project& project, std::string_view formula,
                            const ScreenId& near) {
  const auto values = valuesOf(project);
  const auto places = placesOf(project, near);
  std::string unknown;
  const std::string out = translated(formula, [&](std::string_view name, bool asked) {
    const auto& all = asked ? places : values;
    auto at = std::find_if(all.begin(), all.end(), [&](const Named& n) { return n.id == name; });
    if (at == all.end())
      at = std::find_if(all.begin(), all.end(), [&](const Named& n) { return n.name == name; });
    if (at != all.end()) return "@" + at->id;
    if (unknown.empty()) unknown = name;
    return fmt::format("@{}", name);
  });
  if (!unknown.empty()) return fail("", fmt::format("nothing there is called “{}”", unknown));
  return out;
}

}  // namespace bristle
