// The flow as a table: a row for each action of each button.
#pragma once
#include <string>
#include <vector>

#include "runtime/document/project.h"

namespace bristle {

struct FlowRow {
  ScreenId screen;
  ItemId item;
  size_t at = 0;  // among the button's actions
  // Screen, button, action, condition, change.
  std::vector<std::string> cells;
};
std::vector<FlowRow> flowRows(const Project& project);
// With a head, comma-separated (RFC 4180).
std::string flowTable(const Project& project);

// “as the screens say”, “fade”…, and back; nothing for another word.
std::string changeWord(const Action& action);
std::optional<std::optional<ScreenMotionForm>> parseChangeWord(std::string_view word);

}  // namespace bristle
