#include "core/edit/clip_edits.h"

#include <algorithm>
#include <unordered_map>

#include "core/edit/library_edits.h"
#include "core/edit/on_screen.h"
#include "runtime/document/map_names.h"
#include "runtime/document/tree.h"
#include "runtime/machine/formula_words.h"

namespace bristle {
namespace {

// What the buttons of a clip need besides themselves.
Wanted wantedBy(const Project& project, const Screen& items) {
  Wanted out;
  for (const auto& item : items.items) {
    eachCondition(*item, [&](const std::string& formula) {
      withOtherValues(formula, [&](const ValueId& id) {
        out.values.insert(id);
        return id;
      });
    });
    const ButtonData* button = item->button();
    if (!button) continue;
    const Kind* kind = find(project, button->kind);  // a broken reference stays one
    if (kind && find(project, kind->machine) &&
        std::find(out.kinds.begin(), out.kinds.end(), kind->id) == out.kinds.end())
      out.kinds.push_back(kind->id);
    collectNames(button->own.base, out.names);
    for (const auto& entry : button->own.departures) collectNames(entry.second, out.names);
    for (const Action& action : button->actions)
      if (action.value) out.values.insert(action.value);
  }
  return out;
}

template <class Id, class All>
bool isHere(const All& all, const Id& id) {
  return std::any_of(all.begin(), all.end(), [&](const auto& each) { return each.id == id; });
}

class Pasting {
 public:
  Pasting(const Project& clip, Taken& taken, const ScreenId& screen)
      : clip_(clip), taken_(taken), screen_(*find(taken.project, screen)) {
    for (const auto& item : itemsOf(clip).items)
      copies_[item->id] = freshId<ItemId>(taken_.project, item->button() ? "b" : "i");
  }

  std::vector<Shared<Item>> run(Px dx, Px dy) const {
    std::vector<Shared<Item>> out;
    for (const auto& original : itemsOf(clip_).items) {
      Item copy = *original;
      copy.id = copies_.at(original->id);
      if (copy.parent) {
        copy.parent = copies_.at(copy.parent);
      } else {
        copy.place.x.offset += dx;
        copy.place.y.offset += dy;
      }
      if (ContainerData* box = copy.container())
        if (const auto from = copies_.find(box->flyOut.from); from != copies_.end())
          box->flyOut.from = from->second;
      // What a formula asks for is a value, or one of what is pasted.
      eachCondition(copy, [this](std::string& formula) {
        formula = withOtherValues(formula, [this](const ValueId& id) {
          const auto item = copies_.find(ItemId{id.text});
          return item == copies_.end() ? valueHere(id) : ValueId{item->second.text};
        });
      });
      if (ButtonData* button = copy.button()) bringAlong(*button);
      out.emplace_back(std::move(copy));
    }
    return out;
  }

 private:
  void bringAlong(ButtonData& button) const {
    if (const auto kind = taken_.kinds.find(button.kind); kind != taken_.kinds.end())
      button.kind = kind->second;
    button.own.base = here(button.own.base);
    for (auto& entry : button.own.departures) entry.second = here(entry.second);
    for (Text* text : {&button.caption, &button.accessibleName, &button.description}) here(*text);
    for (Action& action : button.actions) {
      action.screen = screenHere(action.screen);
      action.value = valueHere(action.value);
      if (const auto copy = copies_.find(action.item); copy != copies_.end())
        action.item = copy->second;
    }
    button.answers.shortcut = shortcutHere(button.answers.shortcut);
    if (button.prompt) {
      button.prompt->shortcut = shortcutHere(button.prompt->shortcut);
      if (button.prompt->does == Does::Shortcut && !button.prompt->shortcut) button.prompt.reset();
    }
    bringRoutes(button.routes);
  }

  LookValues here(const LookValues& values) const {
    LookValues out;
    for (const auto& [key, value] : values)
      out.set(key, mappedNames(value, [this](const NamedId& id) {
                const auto at = taken_.names.find(id);
                return at == taken_.names.end() ? id : at->second;
              }));
    return out;
  }

  void here(Text& text) const {
    std::map<LanguageId, std::string> others;
    for (const auto& [id, words] : text.others) {
      const Language& theirs = languageOf(clip_, id);
      for (const Language& mine : taken_.project.languages)
        if (mine.tag == theirs.tag) others[mine.id] = words;
    }
    text.others = std::move(others);
  }

  ValueId valueHere(const ValueId& id) const {
    const auto at = taken_.values.find(id);
    return at == taken_.values.end() ? id : at->second;
  }

  // The one of the same name; the same id alone may be another screen of another project.
  ScreenId screenHere(const ScreenId& id) const {
    const Screen* theirs = find(clip_, id);
    if (!theirs) return id;
    for (const auto& mine : taken_.project.screens)
      if (mine->name == theirs->name) return mine->id;
    return {};
  }

  // By its name, too.
  ShortcutId shortcutHere(const ShortcutId& id) const {
    const Shortcut* theirs = find(clip_, id);
    if (!theirs) return id;
    for (const Shortcut& mine : taken_.project.shortcuts)
      if (mine.name == theirs->name) return mine.id;
    return {};
  }

  void bringRoutes(RouteRules& routes) const {
    std::erase_if(routes.where, [this](const RouteException& each) {
      return (each.display && !isHere(taken_.project.displays, each.display)) ||
             (each.language && !isHere(taken_.project.languages, each.language));
    });
    routes.each([this](RouteRule& rule) {
      if (!rule.target) return;
      const auto copy = copies_.find(rule.target.item.alone());
      if (copy != copies_.end()) {
        rule.target = copy->second;
        return;
      }
      const bool same = itemsOf(clip_).id == screen_.id && itemsOf(clip_).name == screen_.name;
      const bool here = rule.target.cluster
                            ? isHere(screen_.clusters, rule.target.cluster)
                            : findItem(screen_, rule.target.item.alone()) != nullptr;
      if (!same || !here) rule = {};
    });
  }

  const Project& clip_;
  Taken& taken_;
  const Screen& screen_;
  std::unordered_map<ItemId, ItemId> copies_;
};

}  // namespace

const Screen& itemsOf(const Project& clip) {
  return *clip.screens.back();
}

Project clipOf(const Project& project, const Screen& screen, const std::vector<ItemId>& items,
               const Places& places) {
  Screen taken = screen;
  taken.entry = {};
  taken.clusters.clear();
  taken.guides.clear();
  taken.bindings.clear();
  const auto roots = outermost(taken, items);
  taken.items = takeOut(taken, roots);
  for (auto& item : taken.items) {
    if (std::find(roots.begin(), roots.end(), item->id) == roots.end()) continue;
    item.edit().parent = {};
    for (const auto& [id, place] : places)
      if (id == item->id) item.edit().place = place;
  }
  Project out = libraryOf(project, wantedBy(project, taken).kinds);
  out.named = project.named;  // own looks may use others than the kinds
  out.shortcuts = project.shortcuts;
  for (const auto& each : project.screens) {
    if (each->id == screen.id) continue;
    Screen name;
    name.id = each->id;
    name.name = each->name;
    out.screens.emplace_back(std::move(name));
  }
  out.screens.emplace_back(std::move(taken));
  out.first = screen.id;
  return out;
}

Edit pasteClip(Shared<Project> clip, ScreenId screen, Spot to, Px dx, Px dy) {
  return {"paste", {}, [=](const Project& before) -> Result<Project> {
            if (!find(before, screen)) return fail({}, "that screen is gone");
            if (clip->screens.empty() || itemsOf(*clip).items.empty())
              return fail({}, "there is nothing to paste");
            auto taken = take(before, *clip, wantedBy(*clip, itemsOf(*clip)), {});
            if (!taken) return tl::unexpected(taken.error());
            Screen& on = *edit(taken->project, screen);
            auto run = Pasting(*clip, *taken, screen).run(dx, dy);
            if (to.holder && !findItem(on, to.holder)) return fail({}, "that container is gone");
            const auto takesFocus = [&](const auto& item) {
              return item->button() && !isStill(taken->project, *item);
            };
            const bool button = std::any_of(run.begin(), run.end(), takesFocus);
            putBefore(on, to.holder, to.before, run);
            if (!on.entry && button)
              on.entry = (*std::find_if(run.begin(), run.end(), takesFocus))->id;
            if (const std::string why = whyNoTree(on); !why.empty())
              return fail({}, "expected " + why);
            return std::move(taken->project);
          }};
}

}  // namespace bristle
