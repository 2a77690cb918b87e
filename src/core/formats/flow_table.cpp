#include "core/formats/flow_table.h"

#include <algorithm>
#include <array>

#include "core/derive/action_words.h"
#include "core/derive/formula_names.h"
#include "core/tables/table_file.h"

namespace bristle {
namespace {

constexpr std::array<std::string_view, 4> kForms{"at once", "fade", "slide", "grow"};
constexpr std::string_view kAsScreens = "as the screens say";

}  // namespace

std::string changeWord(const Action& action) {
  if (action.type != ActionType::Open && action.type != ActionType::PutOnTop &&
      action.type != ActionType::Back && action.type != ActionType::BackTo)
    return {};
  return std::string(action.change ? kForms[size_t(action.change->in.form)] : kAsScreens);
}

std::optional<std::optional<ScreenMotionForm>> parseChangeWord(std::string_view word) {
  if (word == kAsScreens || word.empty()) return std::optional<ScreenMotionForm>{};
  const auto at = std::find(kForms.begin(), kForms.end(), word);
  if (at == kForms.end()) return {};
  return static_cast<ScreenMotionForm>(at - kForms.begin());
}

std::vector<FlowRow> flowRows(const Project& project) {
  std::vector<FlowRow> out;
  for (const auto& screen : project.screens)
    for (const auto& item : screen->items) {
      if (!item->button()) continue;
      const Actions& actions = item->button()->actions;
      for (size_t i = 0; i < actions.size(); ++i) {
        Action plain = actions[i];
        plain.when.clear();
        out.push_back({screen->id,
                       item->id,
                       i,
                       {screen->name, displayName(*item), inWords(project, plain),
                        withNames(project, actions[i].when), changeWord(actions[i])}});
      }
    }
  return out;
}

std::string flowTable(const Project& project) {
  std::vector<std::vector<std::string>> table{
      {"screen", "button", "action", "condition", "change"}};
  for (FlowRow& row : flowRows(project)) table.push_back(std::move(row.cells));
  return writeTable(table);
}

}  // namespace bristle
