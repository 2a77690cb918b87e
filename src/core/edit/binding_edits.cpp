#include "core/edit/binding_edits.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/edit/on_screen.h"

namespace bristle {
namespace {

using Bindings = std::vector<Binding>;

// One edit for both places where bindings are.
Edit onBindings(ScreenId where, std::string name, std::function<void(Bindings&)> change) {
  if (where)
    return onScreen(std::move(where), std::move(name), {},
                    [=](Project after, Screen& screen) -> Result<Project> {
                      change(screen.bindings);
                      return after;
                    });
  return {std::move(name), {}, [=](const Project& before) -> Result<Project> {
            Project after = before;
            change(after.bindings);
            return after;
          }};
}

bool usesShortcut(const ButtonData& button, const ShortcutId& id) {
  return button.answers.shortcut == id || (button.prompt && button.prompt->shortcut == id);
}

void forgetShortcut(ButtonData& button, const ShortcutId& id) {
  if (button.answers.shortcut == id) button.answers.shortcut = {};
  if (button.prompt && button.prompt->shortcut == id) button.prompt.reset();
}

}  // namespace

Edit bind(ScreenId where, Sign::Of of, Does does, ShortcutId shortcut, std::vector<Sign> signs) {
  return onBindings(std::move(where), "bind", [=](Bindings& all) {
    const auto same = [&](const Binding& b) {
      return b.sign.of == of && b.does == does && b.shortcut == shortcut;
    };
    std::erase_if(all, [&](const Binding& b) {
      return same(b) && std::find(signs.begin(), signs.end(), b.sign) == signs.end();
    });
    for (const Sign& sign : signs) {
      const bool there = std::any_of(all.begin(), all.end(),
                                     [&](const Binding& b) { return same(b) && b.sign == sign; });
      if (!there) all.push_back({sign, does, shortcut});
    }
  });
}

Edit bindOnly(ScreenId where, Binding binding) {
  return onBindings(std::move(where), fmt::format("bind {}", toText(binding.sign)),
                    [=](Bindings& all) {
                      std::erase_if(all, [&](const Binding& b) { return b.sign == binding.sign; });
                      all.push_back(binding);
                    });
}

Edit bindAsAtFirst(ScreenId where) {
  const Bindings first = where ? Bindings{} : standardBindings();
  return onBindings(std::move(where), "bind as at first", [=](Bindings& all) { all = first; });
}

Edit addShortcut(std::string name) {
  return {"add shortcut", {}, [=](const Project& before) -> Result<Project> {
            Project after = before;
            std::vector<std::string> taken;
            for (const Shortcut& each : after.shortcuts) taken.push_back(each.name);
            Shortcut added;
            added.id = freshId<ShortcutId>(after, "c");
            added.name = freeName(taken, name);
            after.shortcuts.push_back(std::move(added));
            return after;
          }};
}

Edit changeShortcut(ShortcutId id, std::string name, std::string mergeKey,
                    std::function<void(Shortcut&)> change) {
  return {std::move(name), std::move(mergeKey), [=](const Project& before) -> Result<Project> {
            Project after = before;
            for (Shortcut& each : after.shortcuts) {
              if (each.id != id) continue;
              change(each);
              return after;
            }
            return fail({}, "that shortcut is gone");
          }};
}

Edit removeShortcut(ShortcutId id) {
  return {"remove shortcut", {}, [=](const Project& before) -> Result<Project> {
            Project after = before;
            if (std::erase_if(after.shortcuts, [&](const Shortcut& s) { return s.id == id; }) == 0)
              return fail({}, "that shortcut is gone");
            const auto its = [&](const Binding& b) { return b.shortcut == id; };
            std::erase_if(after.bindings, its);
            for (auto& screen : after.screens) {
              if (std::any_of(screen->bindings.begin(), screen->bindings.end(), its))
                std::erase_if(screen.edit().bindings, its);
              for (size_t i = 0; i < screen->items.size(); ++i)
                if (const auto* b = screen->items[i]->button(); b && usesShortcut(*b, id))
                  forgetShortcut(*screen.edit().items[i].edit().button(), id);
            }
            for (auto& group : after.groups)
              for (size_t i = 0; i < group->holds.items.size(); ++i)
                if (const auto* b = group->holds.items[i]->button(); b && usesShortcut(*b, id))
                  forgetShortcut(*group.edit().holds.items[i].edit().button(), id);
            return after;
          }};
}

}  // namespace bristle
