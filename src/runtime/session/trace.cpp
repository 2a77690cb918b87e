#include "runtime/session/trace.h"

#include <fmt/format.h>

namespace bristle {
namespace {

struct Names {
  const Project* project = nullptr;

  std::string item(const ItemId& id) const {
    if (!id) return "–";
    if (project)
      for (const auto& screen : project->screens)
        if (const Item* item = findItem(*screen, id)) return displayName(*item);
    return id.text;
  }
  std::string screen(const ScreenId& id) const {
    const Screen* screen = project ? find(*project, id) : nullptr;
    return screen ? screen->name : id.text;
  }
  std::string cluster(const std::string& id) const {
    if (project)
      for (const auto& screen : project->screens)
        for (const Cluster& each : screen->clusters)
          if (each.id.text == id) return each.name;
    return id;
  }
  std::string shortcut(const std::string& id) const {
    const Shortcut* shortcut = project ? find(*project, ShortcutId{id}) : nullptr;
    return shortcut ? shortcut->name : id;
  }
  std::string language(const std::string& id) const {
    if (project)
      for (const Language& each : project->languages)
        if (each.id.text == id) return each.name;
    return id;
  }
  std::string value(const ValueId& id) const {
    const ProjectValue* value = project ? find(*project, id) : nullptr;
    return value ? value->name : id.text;
  }
};

std::string line(const TraceEntry& e, const Names& names) {
  switch (e.type) {
    case TraceType::Focus:
      return fmt::format("focus {} → {} ({})", names.item(e.fromItem), names.item(e.item), e.how);
    case TraceType::State:
      return fmt::format("state {} {} → {}", names.item(e.item), e.fromState.text, e.toState.text);
    case TraceType::Activate:
      return fmt::format("activate {}", names.item(e.item));
    case TraceType::Open:
      return fmt::format("open screen {}", names.screen(e.screen));
    case TraceType::OnTop:
      return fmt::format("put on top {}", names.screen(e.screen));
    case TraceType::Back:
      return fmt::format("back to {}", names.screen(e.screen));
    case TraceType::Bump:
      return fmt::format("bump {} ({})", names.item(e.item), e.how);
    case TraceType::Message:
      return fmt::format("message {}", e.how);
    case TraceType::Value:
      return fmt::format("value {} = {:g}", names.value(e.value), e.number);
    case TraceType::Sound:
      return fmt::format("sound {} at {:g}", e.how, e.number);
    case TraceType::Modality:
      return fmt::format("device {}", e.how);
    case TraceType::Scroll:
      return fmt::format("scroll {} to {:g}", names.item(e.item), e.number);
    case TraceType::FlyOut:
      return fmt::format("fly-out {} {}", names.item(e.item), e.how);
    case TraceType::Cluster:
      return fmt::format("{} {} at {}", e.number > 0 ? "into" : "out of", names.cluster(e.how),
                         names.item(e.item));
    case TraceType::Shortcut:
      return fmt::format("shortcut {}", names.shortcut(e.how));
    case TraceType::Shown:
      return fmt::format("{} {}", e.number > 0 ? "show" : "hide", names.item(e.item));
    case TraceType::Broken:
      return fmt::format("broken {} ({})", names.item(e.item), e.how);
    case TraceType::Link:
      return fmt::format("link {}", e.how);
    case TraceType::Music:
      return e.how.empty() ? "music stops" : fmt::format("music {} at {:.3g}", e.how, e.number);
    case TraceType::Unlock:
      return fmt::format("unlock {}", names.item(e.item));
    case TraceType::Idle:
      return fmt::format("idle on {}", names.screen(e.screen));
    case TraceType::Speak:
      return fmt::format("speak {}", names.language(e.how));
    case TraceType::Quit:
      return "quit";
    case TraceType::Runaway:
      return fmt::format("stopped an endless chain in {}", names.item(e.item));
  }
  return {};
}

}  // namespace

std::string toLine(const TraceEntry& entry) {
  return line(entry, Names{});
}
std::string toLine(const TraceEntry& entry, const Project& project) {
  return line(entry, Names{&project});
}

}  // namespace bristle
