// What keys and controller buttons do, and what is reached by nothing else.
#include <fmt/format.h>

#include <algorithm>

#include "core/edit/binding_edits.h"
#include "core/edit/screen_edits.h"
#include "core/findings/rules.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

std::string wordsOf(const Project& project, const Binding& binding) {
  if (binding.does != Does::Shortcut)
    return std::string(doesNames()[static_cast<size_t>(binding.does)]);
  const Shortcut* shortcut = find(project, binding.shortcut);
  return fmt::format("“{}”", shortcut ? shortcut->name : binding.shortcut.text);
}

// Everywhere, or on a screen.
struct Bound {
  const Project& project;
  const Screen* screen;
  const std::vector<Binding>& bindings() const {
    return screen ? screen->bindings : project.bindings;
  }
  ScreenId id() const { return screen ? screen->id : ScreenId{}; }
  std::string name() const { return screen ? screen->name : "keys and buttons"; }
  Finding finding(std::string detail, std::string reason, std::vector<Edit> mends) const {
    return {.place = name(),
            .reason = std::move(reason),
            .screen = id(),
            .detail = std::move(detail),
            .mends = std::move(mends)};
  }
};

bool sameDoing(const Binding& a, const Binding& b) {
  return a.does == b.does && a.shortcut == b.shortcut;
}

// Whether anything still does after an edit: no mend takes that away.
bool accepts(const Edit& edit, const Bound& at, Sign::Of of) {
  const auto after = edit.apply(at.project);
  return after &&
         !signsFor(*after, at.screen ? find(*after, at.screen->id) : nullptr, of, Does::Accept)
              .empty();
}

void checkClashes(const Bound& at, Findings& out) {
  const auto& all = at.bindings();
  for (size_t i = 0; i < all.size(); ++i)
    for (size_t k = i + 1; k < all.size(); ++k) {
      if (all[i].sign != all[k].sign || sameDoing(all[i], all[k])) continue;
      std::vector<Edit> mends;
      for (const Binding& each : {all[i], all[k]}) {
        Edit mend = bindOnly(at.id(), each);
        if (!accepts(mend, at, each.sign.of)) continue;
        mend.name = fmt::format("let it only do {}", wordsOf(at.project, each));
        mends.push_back(std::move(mend));
      }
      out.push_back(at.finding(
          toText(all[i].sign),
          fmt::format("{} is bound to {} and to {}: only the first counts", toText(all[i].sign),
                      wordsOf(at.project, all[i]), wordsOf(at.project, all[k])),
          std::move(mends)));
    }
}

// A menu that nothing accepts in cannot be used.
void checkAccept(const Bound& at, Findings& out) {
  for (const Sign::Of of : {Sign::Of::Key, Sign::Of::Button}) {
    if (!signsFor(at.project, at.screen, of, Does::Accept).empty()) continue;
    const bool key = of == Sign::Of::Key;
    Sign sign;
    sign.of = of;
    sign.name = key ? "Enter" : "lower button";
    Edit mend = bindOnly(at.id(), {sign, Does::Accept, {}});
    mend.name = fmt::format("let {} accept", sign.name);
    out.push_back(
        at.finding(key ? "accept by key" : "accept by button",
                   fmt::format("no {} accepts{}, so that buttons cannot be pressed by it",
                               key ? "key" : "controller button", at.screen ? " here" : ""),
                   {std::move(mend)}));
  }
}

void checkShortcutsKnown(const Bound& at, Findings& out) {
  for (const Binding& each : at.bindings())
    if (each.does == Does::Shortcut && !find(at.project, each.shortcut))
      out.push_back(at.finding("gone " + toText(each.sign),
                               fmt::format("{} is bound to a shortcut “{}” that is not there",
                                           toText(each.sign), each.shortcut.text),
                               {bind(at.id(), each.sign.of, Does::Shortcut, each.shortcut, {})}));
}

// Whether anything on the keyboard or a controller presses it.
bool isAnswered(const Project& project, const Screen& screen, const Answers& answers) {
  for (const Sign::Of of : {Sign::Of::Key, Sign::Of::Button}) {
    if (answers.cancel && !signsFor(project, &screen, of, Does::Cancel).empty()) return true;
    if (answers.shortcut &&
        !signsFor(project, &screen, of, Does::Shortcut, answers.shortcut).empty())
      return true;
  }
  return false;
}

void checkAnswering(const Project& project, const Screen& screen, Findings& out) {
  const Item* cancels = nullptr;
  std::vector<std::pair<ShortcutId, const Item*>> answering;
  const auto nesting = nestingOf(screen);
  for (size_t i = 0; i < screen.items.size(); ++i) {
    const Item& item = *screen.items[i];
    if (!item.button() || nesting[i].hidden) continue;
    const auto tell = [&](std::string detail, std::string reason, std::string mend,
                          std::function<void(ButtonData&)> change) {
      out.push_back({.place = fmt::format("{} · {}", screen.name, displayName(item)),
                     .reason = std::move(reason),
                     .screen = screen.id,
                     .item = item.id,
                     .detail = std::move(detail),
                     .mends = {changeItems(screen.id, {item.id}, std::move(mend), {},
                                           [change = std::move(change)](Item& changed) {
                                             if (auto* b = changed.button()) change(*b);
                                           })}});
    };
    const Answers& answers = item.button()->answers;
    if (answers.cancel && cancels)
      tell("cancel", fmt::format("“{}” answers to cancel, too", displayName(*cancels)),
           "let cancel not press it", [](ButtonData& b) { b.answers.cancel = false; });
    if (answers.cancel && !cancels) cancels = &item;
    if (answers.shortcut) {
      const Shortcut* shortcut = find(project, answers.shortcut);
      const auto other = std::find_if(answering.begin(), answering.end(), [&](const auto& each) {
        return each.first == answers.shortcut;
      });
      const auto none = [](ButtonData& b) { b.answers.shortcut = {}; };
      if (!shortcut)
        tell("answers",
             fmt::format("it answers to a shortcut “{}” that is not there", answers.shortcut.text),
             "let it answer to none", none);
      else if (other != answering.end())
        tell("answers",
             fmt::format("“{}” answers to “{}”, too", displayName(*other->second), shortcut->name),
             "let it answer to none", none);
      else
        answering.emplace_back(answers.shortcut, &item);
    }
    const auto& prompt = item.button()->prompt;
    if (prompt && prompt->shortcut && !find(project, prompt->shortcut))
      tell("prompt",
           fmt::format("it shows the sign of a shortcut “{}” that is not there",
                       prompt->shortcut.text),
           "let it show its own icon", [](ButtonData& b) { b.prompt.reset(); });
    if (item.button()->aside && !isAnswered(project, screen, answers))
      tell("aside", "it never has focus, and no key or controller button presses it",
           "let focus come to it", [](ButtonData& b) { b.aside = false; });
  }
}

}  // namespace

void checkBindings(const Surroundings& around, Findings& out) {
  const Bound at{around.project, nullptr};
  checkClashes(at, out);
  checkShortcutsKnown(at, out);
  checkAccept(at, out);
}

void checkScreenBindings(const Surroundings& around, const Screen& screen, Findings& out) {
  const Bound at{around.project, &screen};
  checkClashes(at, out);
  checkShortcutsKnown(at, out);
  // What is wrong everywhere is told once.
  if (!screen.bindings.empty()) checkAccept(at, out);
  checkAnswering(around.project, screen, out);
}

}  // namespace bristle
