// What is referred to, and is not there.
#include <fmt/format.h>

#include <unordered_set>

#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "core/findings/rules.h"

namespace bristle {
namespace {

std::string placeOf(const Screen& screen, const Item& item) {
  return fmt::format("{} · {}", screen.name, displayName(item));
}

Edit mendItem(const Screen& screen, const Item& item, std::string name,
              std::function<void(Item&)> change) {
  return changeItems(screen.id, {item.id}, std::move(name), {}, std::move(change));
}

void checkButton(const Project& project, const Screen& screen, const Item& item,
                 const std::unordered_set<ItemId>& buttons, Findings& out) {
  const ButtonData& button = *item.button();
  const auto tell = [&](std::string detail, std::string reason, std::vector<Edit> mends) {
    out.push_back({.place = placeOf(screen, item),
                   .reason = std::move(reason),
                   .screen = screen.id,
                   .item = item.id,
                   .detail = std::move(detail),
                   .mends = std::move(mends)});
  };
  if (!find(project, button.kind))
    tell("kind", fmt::format("its kind “{}” is not there", button.kind.text), {});
  const auto leads = [&](const RouteRule& rule) {
    if (rule.type != RouteType::Pinned) return true;
    if (!rule.target.cluster) return buttons.contains(rule.target.item.alone());
    return std::any_of(screen.clusters.begin(), screen.clusters.end(),
                       [&](const Cluster& c) { return c.id == rule.target.cluster; });
  };
  const auto tellRoute = [&](Dir dir, const RouteRule& rule, const std::string& where,
                             std::function<void(RouteRules&)> mend) {
    if (leads(rule)) return;
    const std::string name(nameOf(dir));
    const auto& target = rule.target;
    tell(where.empty() ? name : name + " " + where,
         fmt::format(
             "its route {} is pinned to “{}”, which is not on the screen, or never has focus", name,
             target.cluster ? target.cluster.text : target.item.text()),
         {mendItem(screen, item, fmt::format("let the route {} be solved", name),
                   [=](Item& changed) { mend(changed.button()->routes); })});
  };
  for (const Dir dir : kDirs)
    tellRoute(dir, button.routes[dir], {}, [dir](RouteRules& routes) { routes[dir] = {}; });
  for (const RouteException& each : button.routes.where)
    tellRoute(each.dir, each.rule, each.display.text + "/" + each.language.text,
              [each](RouteRules& routes) { std::erase(routes.where, each); });
}

}  // namespace

void checkProjectReferences(const Surroundings& around, Findings& out) {
  const Project& project = around.project;
  if (!project.first || find(project, project.first)) return;
  Finding f{.place = "project", .reason = "the first screen is not there", .detail = "first"};
  if (!project.screens.empty()) f.mends = {openFirst(project.screens.front()->id)};
  out.push_back(std::move(f));
}

void checkKindReferences(const Surroundings& around, const Kind& kind, Findings& out) {
  const auto tell = [&](StateId state, std::string reason, std::vector<Edit> mends) {
    out.push_back({.place = "kind “" + kind.name + "”",
                   .reason = std::move(reason),
                   .kind = kind.id,
                   .state = std::move(state),
                   .mends = std::move(mends)});
  };
  const Machine* machine = find(around.project, kind.machine);
  if (!machine)
    return tell({}, fmt::format("its machine “{}” is not there", kind.machine.text), {});
  for (const auto& [state, look] : kind.departures)
    if (!findState(*machine, state))
      tell(state,
           fmt::format("it has a look for a state “{}” which its machine has not", state.text),
           {changeKind(kind.id, "remove the look of a state that is not there", {},
                       [gone = state](Kind& changed) { changed.departures.erase(gone); })});
}

void checkScreenReferences(const Surroundings& around, const Screen& screen, Findings& out) {
  std::unordered_set<ItemId> buttons;
  for (const auto& item : screen.items)
    if (item->button() && !item->button()->aside) buttons.insert(item->id);
  if (screen.entry && !buttons.contains(screen.entry))
    out.push_back({.place = screen.name,
                   .reason = "focus starts on a button that is not there, or never has focus",
                   .screen = screen.id,
                   .detail = "entry",
                   .mends = {changeScreen(screen.id, "let focus start nowhere", {},
                                          [](Screen& changed) { changed.entry = {}; })}});
  for (const auto& item : screen.items)
    if (item->button()) checkButton(around.project, screen, *item, buttons, out);
}

void checkNamesUsed(const Surroundings& around, const Kind& kind, Findings& out) {
  const Naming names = naming(around.project);
  const auto look = [&](const LookValues& values, const StateId& state) {
    for (const auto& [key, value] : values)
      eachName(value, [&, part = key.part.text](const NamedId& id) {
        if (!names.settle(id))
          out.push_back(
              {.place = "kind “" + kind.name + "”",
               .reason = fmt::format("it uses a named value “{}” that is not there", id.text),
               .kind = kind.id,
               .state = state,
               .detail = part + " " + id.text});
      });
  };
  look(kind.base, {});
  for (const auto& [state, values] : kind.departures) look(values, state);
}

void checkAliases(const Surroundings& around, Findings& out) {
  const NamedValues& all = *around.project.named;
  for (const NamedValue& named : all)
    for (const bool dark : {false, true})
      if (!Naming{&all, dark}.settle(named.id)) {
        out.push_back({.place = "named value “" + named.name + "”",
                       .reason = "its alias leads nowhere, or in a circle",
                       .detail = named.id.text});
        break;
      }
}

}  // namespace bristle
