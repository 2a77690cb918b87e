#include "core/edit/flow_edits.h"

#include <algorithm>

#include "core/edit/on_screen.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

constexpr Px kBackX = 64, kBackY = 64;  // where the way back stands on a new screen

ButtonData* buttonOn(Screen& screen, const ItemId& id) {
  Item* item = edit(screen, id);
  return item ? item->button() : nullptr;
}

// What takes the place of the screen, or leaves it to be seen below.
ActionType wayTo(const Screen& screen) {
  return screen.backdrop.type == FillType::None ? ActionType::PutOnTop : ActionType::Open;
}

}  // namespace

Edit leadTo(ScreenId from, ItemId button, ScreenId to, std::optional<size_t> action) {
  return onScreen(
      std::move(from), "lead to a screen", {}, [=](Project after, Screen& on) -> Result<Project> {
        const Screen* target = find(after, to);
        ButtonData* its = buttonOn(on, button);
        if (!its || !target) return fail({}, "the button or the screen is gone");
        Actions& all = its->actions;
        auto at = std::find_if(all.begin(), all.end(), [](const Action& a) { return a.leads(); });
        if (action && *action < all.size()) at = all.begin() + std::ptrdiff_t(*action);
        if (at == all.end()) {
          all.push_back({wayTo(*target), to});
        } else {
          if (!at->leads()) at->type = wayTo(*target);
          at->screen = to;
        }
        return after;
      });
}

Edit leadToNew(ScreenId from, ItemId button) {
  return onScreen(
      std::move(from), "lead to a new screen", {},
      [=](Project after, Screen& on) -> Result<Project> {
        ButtonData* its = buttonOn(on, button);
        if (!its) return fail({}, "the button is gone");
        const KindId kind = its->kind;
        std::vector<std::string> taken;
        for (const auto& each : after.screens) taken.push_back(each->name);
        Screen fresh;
        fresh.id = freshId<ScreenId>(after, "s");
        fresh.name = freeName(taken, its->caption.base.empty() ? "Screen" : its->caption.base);
        fresh.backdrop = Fill::solid({16, 20, 22, 255});
        Item back;
        back.id = freshId<ItemId>(after, "b");
        back.place = {{.pin = Pin::Start, .offset = kBackX}, {.pin = Pin::End, .offset = kBackY}};
        ButtonData data;
        data.kind = kind;
        data.caption = "Back";
        data.actions = {{ActionType::Back}};
        data.answers.cancel = true;
        back.what = std::move(data);
        fresh.entry = back.id;
        fresh.items.emplace_back(std::move(back));
        const ScreenId id = fresh.id;
        const auto lead = std::find_if(its->actions.begin(), its->actions.end(),
                                       [](const Action& a) { return a.leads(); });
        if (lead == its->actions.end())
          its->actions.push_back({ActionType::PutOnTop, id});
        else
          *lead = {ActionType::PutOnTop, id};
        after.screens.emplace_back(std::move(fresh));
        return after;
      });
}

Edit changeActions(std::string name, std::vector<ActionPlace> places,
                   std::function<void(Action&)> change) {
  return {std::move(name), {}, [=](Project after) -> Result<Project> {
            for (const ActionPlace& place : places) {
              Screen* screen = edit(after, place.screen);
              ButtonData* button = screen ? buttonOn(*screen, place.item) : nullptr;
              if (button && place.at < button->actions.size()) change(button->actions[place.at]);
            }
            return after;
          }};
}

Edit changeForms(std::vector<ActionPlace> places, std::optional<ScreenMotionForm> form) {
  return changeActions("change how screens change", std::move(places), [form](Action& action) {
    if (!form) return action.change.reset();
    if (!action.change) action.change.emplace();
    action.change->in.form = action.change->out.form = *form;
  });
}

Edit removeAction(ScreenId screen, ItemId button, size_t action) {
  return onScreen(std::move(screen), "remove an action", {},
                  [=](Project after, Screen& on) -> Result<Project> {
                    ButtonData* its = buttonOn(on, button);
                    if (!its || action >= its->actions.size())
                      return fail({}, "that action is gone");
                    its->actions.erase(its->actions.begin() + std::ptrdiff_t(action));
                    return after;
                  });
}

}  // namespace bristle
