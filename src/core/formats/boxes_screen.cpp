#include "core/formats/boxes_screen.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "runtime/document/whynot.h"

namespace bristle {
namespace {

constexpr const char* kPlain = "Plain button";

Result<KindId> plainKind(Project& project) {
  const auto is = [](const Shared<Kind>& kind) {
    return kind->name == kPlain && kind->hitForm == HitForm::Box && kind->hitPadding == 0;
  };
  auto at = std::find_if(project.kinds.begin(), project.kinds.end(), is);
  if (at == project.kinds.end()) {
    auto made = addKind(kPlain, Wins::Hover).apply(project);
    if (!made) return tl::unexpected(made.error());
    project = std::move(*made);
    at = std::prev(project.kinds.end());
  }
  return (*at)->id;
}

DisplayId displayOf(Project& project, double width, double height) {
  if (width <= 0) return {};
  for (const Display& each : project.displays)
    if (each.scale == 1 && each.width == width && each.height == height) return each.id;
  Display fresh;
  fresh.id = freshId<DisplayId>(project, "d");
  fresh.name = fmt::format("{:g} × {:g}", width, height);
  fresh.width = width;
  fresh.height = height;
  project.displays.push_back(fresh);
  return fresh.id;
}

}  // namespace

Edit addScreenOfBoxes(std::string name, BoxesFile boxes) {
  return {"new screen of boxes", {}, [=](const Project& before) -> Result<Project> {
            Project after = before;
            const auto kind = plainKind(after);
            if (!kind) return tl::unexpected(kind.error());
            const DisplayId display = displayOf(after, boxes.width, boxes.height);
            auto with = addScreen(name).apply(after);
            if (!with) return with;
            after = std::move(*with);
            const ScreenId id = after.screens.back()->id;
            Screen& screen = *edit(after, id);
            screen.drawnOn = display;
            for (size_t i = 0; i < boxes.input.boxes.size(); ++i) {
              const Box& box = boxes.input.boxes[i];
              Item item;
              item.id = freshId<ItemId>(after, "b");
              ButtonData button;
              button.kind = *kind;
              button.caption.base = boxes.input.names[i];
              item.what = std::move(button);
              item.place = {{Pin::Start, box.x, box.w}, {Pin::Start, box.y, box.h}};
              if (auto why = whyNot(item)) return tl::unexpected(*why);
              if (boxes.entry.empty() ? i == 0 : boxes.entry == boxes.input.names[i])
                screen.entry = item.id;
              screen.items.emplace_back(std::move(item));
            }
            return after;
          }};
}

}  // namespace bristle
