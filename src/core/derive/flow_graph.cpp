#include "core/derive/flow_graph.h"

#include <algorithm>
#include <set>
#include <unordered_map>

namespace bristle {
namespace {

class Reading {
 public:
  explicit Reading(const Project& project) : project_(project) {
    for (size_t i = 0; i < project.screens.size(); ++i)
      index_[project.screens[i]->id] = static_cast<int>(i);
    out_.screens.resize(project.screens.size());
  }

  FlowGraph run() {
    for (size_t s = 0; s < project_.screens.size(); ++s) readScreen(s);
    for (const Shortcut& shortcut : project_.shortcuts)
      add(shortcut.actions, {.from = -1, .shortcut = shortcut.id});
    findDepths();
    findOverlays();
    findWaysOut();
    return std::move(out_);
  }

 private:
  int indexOf(const ScreenId& id) const {
    const auto at = index_.find(id);
    return at == index_.end() ? -1 : at->second;
  }

  void readScreen(size_t s) {
    const Screen& screen = *project_.screens[s];
    std::set<ItemId> opens;  // a fly-out
    for (const auto& item : screen.items)
      if (item->container()) opens.insert(item->container()->flyOut.from);
    for (const auto& item : screen.items) {
      if (!item->button() || isStill(project_, *item)) continue;
      if (item->button()->actions.empty() && !opens.contains(item->id))
        out_.screens[s].idle.push_back(item->id);
      add(item->button()->actions, {.from = static_cast<int>(s), .item = item->id});
    }
    if (screen.idle.after > 0) add(screen.idle.actions, {.from = static_cast<int>(s)});
  }

  void add(const Actions& actions, const FlowStep& like) {
    for (size_t i = 0; i < actions.size(); ++i) {
      FlowStep step = like;
      step.at = i;
      step.type = actions[i].type;
      if (actions[i].leads()) step.to = indexOf(actions[i].screen);
      step.broken = actions[i].leads() && step.to < 0;
      out_.steps.push_back(step);
    }
  }

  // Breadth first. A shortcut leads on from wherever one is.
  void findDepths() {
    const int first = indexOf(project_.first);
    if (first < 0) return;
    std::vector<int> queue{first};
    out_.screens[size_t(first)].depth = 0;
    for (size_t i = 0; i < queue.size(); ++i)
      for (const FlowStep& step : out_.steps) {
        if (step.to < 0 || (step.from >= 0 && step.from != queue[i])) continue;
        FlowScreen& to = out_.screens[size_t(step.to)];
        if (to.depth >= 0) continue;
        to.depth = out_.screens[size_t(queue[i])].depth + 1;
        queue.push_back(step.to);
      }
  }

  void findOverlays() {
    std::vector<bool> opened(out_.screens.size());
    for (const FlowStep& step : out_.steps) {
      if (step.to < 0) continue;
      FlowScreen& to = out_.screens[size_t(step.to)];
      if (step.type == ActionType::Open) opened[size_t(step.to)] = true;
      if (step.type != ActionType::PutOnTop) continue;
      to.stacked = true;
      if (to.over < 0) to.over = step.from;
    }
    for (size_t s = 0; s < out_.screens.size(); ++s) {
      FlowScreen& screen = out_.screens[s];
      screen.overlay = screen.stacked && !opened[s] &&
                       project_.screens[s]->backdrop.type == FillType::None &&
                       screen.over != static_cast<int>(s);
      if (!screen.overlay) screen.over = -1;
    }
  }

  void findWaysOut() {
    const bool cancels = std::any_of(project_.bindings.begin(), project_.bindings.end(),
                                     [](const Binding& b) { return b.does == Does::Cancel; });
    for (FlowScreen& screen : out_.screens) screen.left = screen.stacked && cancels;
    for (const FlowStep& step : out_.steps) {
      const bool leaves = step.to >= 0 || step.type == ActionType::Quit;
      if (step.from < 0) {
        for (size_t s = 0; s < out_.screens.size(); ++s)
          if (leaves && step.to != static_cast<int>(s)) out_.screens[s].left = true;
        continue;
      }
      FlowScreen& from = out_.screens[size_t(step.from)];
      if (leaves && step.to != step.from) from.left = true;
      if (step.type == ActionType::Back && from.stacked) from.left = true;
    }
  }

  const Project& project_;
  std::unordered_map<ScreenId, int> index_;
  FlowGraph out_;
};

}  // namespace

FlowGraph flowOf(const Project& project) {
  return Reading(project).run();
}

const Actions& actionsOf(const Project& project, const FlowStep& step) {
  if (step.shortcut) return find(project, step.shortcut)->actions;
  const Screen& screen = *project.screens[size_t(step.from)];
  return step.item ? findItem(screen, step.item)->button()->actions : screen.idle.actions;
}

}  // namespace bristle
