#include <fmt/format.h>

#include <unordered_set>

#include "core/findings/check.h"

namespace bristle {
namespace {

constexpr std::string_view kRule = "reference";

void checkKind(const Project& project, const Kind& kind, std::vector<Finding>& out) {
  const auto tell = [&](std::string reason) {
    out.push_back({kRule, "kind “" + kind.name + "”", std::move(reason), {}, {}, kind.id});
  };
  const Machine* machine = find(project, kind.machine);
  if (!machine) return tell(fmt::format("its machine “{}” is not there", kind.machine.text));
  for (const auto& entry : kind.departures)
    if (!findState(*machine, entry.first))
      tell(fmt::format("it has a look for a state “{}” which its machine has not",
                       entry.first.text));
}

void checkButton(const Project& project, const Screen& screen, const Item& item,
                 const std::unordered_set<ItemId>& buttons, std::vector<Finding>& out) {
  const ButtonData& button = *item.button();
  const auto tell = [&](std::string reason) {
    out.push_back({kRule,
                   fmt::format("{} · {}", screen.name, displayName(item)),
                   std::move(reason),
                   screen.id,
                   item.id,
                   {}});
  };
  if (!find(project, button.kind))
    tell(fmt::format("its kind “{}” is not there", button.kind.text));
  const auto type = button.action.type;
  if ((type == ActionType::Open || type == ActionType::PutOnTop) &&
      !find(project, button.action.screen))
    tell(fmt::format("it leads to a screen “{}” that is not there", button.action.screen.text));
  for (Dir dir : kDirs) {
    const RouteRule& rule = button.routes[size_t(dir)];
    if (rule.type == RouteType::Pinned && !buttons.contains(rule.target))
      tell(fmt::format("its route {} is pinned to “{}”, which is not on the screen", nameOf(dir),
                       rule.target.text));
  }
}

}  // namespace

void checkReferences(const Project& project, const std::atomic<bool>*, std::vector<Finding>& out) {
  if (project.first && !find(project, project.first))
    out.push_back({kRule, "project", "the first screen is not there", {}, {}, {}});
  for (const auto& kind : project.kinds) checkKind(project, *kind, out);
  for (const auto& screen : project.screens) {
    std::unordered_set<ItemId> all, buttons;
    for (const auto& item : screen->items) {
      all.insert(item->id);
      if (item->button()) buttons.insert(item->id);
    }
    if (screen->entry && !buttons.contains(screen->entry))
      out.push_back(
          {kRule, screen->name, "focus starts on a button that is not there", screen->id, {}, {}});
    for (const auto& item : screen->items) {
      if (item->parent && !all.contains(item->parent))
        out.push_back(
            {kRule,
             fmt::format("{} · {}", screen->name, displayName(*item)),
             fmt::format("it is in a container “{}” that is not there", item->parent.text),
             screen->id,
             item->id,
             {}});
      if (item->button()) checkButton(project, *screen, *item, buttons, out);
    }
  }
}

}  // namespace bristle
