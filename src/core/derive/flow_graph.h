// What leads where between the screens of a project: each action of each button and shortcut, and
// what follows from them.
#pragma once
#include <vector>

#include "runtime/document/project.h"

namespace bristle {

// One action, with where it stands. Of a button, of a shortcut, which serves on every screen, or of
// the screen itself, when nobody does anything for a while: neither.
struct FlowStep {
  int from = -1;  // by index of Project::screens; −1: from anywhere
  ItemId item = {};
  ShortcutId shortcut = {};
  size_t at = 0;  // among the actions there
  ActionType type = ActionType::Back;
  int to = -1;          // the screen that it leads to; −1: none, or it is not there
  bool broken = false;  // it names a screen that is not there
  bool operator==(const FlowStep&) const = default;
};

struct FlowScreen {
  int depth = -1;            // steps from where the menu opens; −1: nothing leads there
  bool overlay = false;      // it is only ever put on top, and lets be seen what lies below
  int over = -1;             // of one that is: the screen that puts it there first
  bool left = false;         // there is a way out of it
  bool stacked = false;      // something puts it on top of another
  std::vector<ItemId> idle;  // its buttons that do nothing
};

struct FlowGraph {
  std::vector<FlowScreen> screens;  // as Project::screens
  std::vector<FlowStep> steps;      // screen by screen, in document order; those of shortcuts last
};

// A condition counts as one that may hold. Cancel takes off what was put on top, where a key or a
// controller button cancels.
FlowGraph flowOf(const Project& project);
// The actions among which the step stands.
const Actions& actionsOf(const Project& project, const FlowStep& step);

}  // namespace bristle
