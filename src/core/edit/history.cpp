#include "core/edit/history.h"

#include <algorithm>

#include "core/edit/in_step.h"
#include "runtime/document/whynot.h"

namespace bristle {
namespace {

template <class T>
bool differ(const std::vector<Shared<T>>& a, const std::vector<Shared<T>>& b) {
  return !std::equal(a.begin(), a.end(), b.begin(), b.end(),
                     [](const auto& x, const auto& y) { return x.same(y); });
}

}  // namespace

Edit together(std::string name, std::vector<Edit> edits) {
  return {
      std::move(name), {}, [edits = std::move(edits)](const Project& before) -> Result<Project> {
        std::optional<Project> now;
        std::optional<Error> why;
        for (const Edit& edit : edits) {
          auto next = edit.apply(now ? *now : before);
          if (next)
            now = std::move(*next);
          else if (!why)
            why = next.error();
        }
        if (now) return *now;
        return fail({}, why ? why->reason : "there is nothing to do");
      }};
}

Change changeBetween(const Project& a, const Project& b) {
  return {a.name != b.name || a.settings != b.settings || a.displays != b.displays ||
              a.languages != b.languages || a.values != b.values || a.first != b.first ||
              a.accepted != b.accepted || a.shortcuts != b.shortcuts || a.bindings != b.bindings ||
              a.deliveries != b.deliveries,
          differ(a.machines, b.machines),
          // Named values are part of every look.
          differ(a.kinds, b.kinds) || !a.named.same(b.named) ||
              a.foreignTokens != b.foreignTokens || a.settings.darkSet != b.settings.darkSet,
          differ(a.screens, b.screens) || differ(a.groups, b.groups) || a.lists != b.lists};
}

Result<Change> History::perform(const Edit& edit) {
  auto after = edit.apply(now_);
  if (!after) return tl::unexpected(after.error());
  *after = keptInStep(now_, std::move(*after));
  // Nothing gets in that could not be written and read again.
  if (auto why = whyNot(*after, &now_)) return tl::unexpected(std::move(*why));
  const Change change = changeBetween(now_, *after);
  const bool merges =
      open_ && !edit.mergeKey.empty() && !past_.empty() && past_.back().mergeKey == edit.mergeKey;
  const Project& before = merges ? past_.back().project : now_;
  if (!change.any() || equal(before, *after)) {
    if (!merges) return Change{};
    // The drag came back to where it began: as if it had not been.
    now_ = past_.back().project;
    serial_ = past_.back().serial;
    past_.pop_back();
    return change;
  }
  if (!merges) past_.push_back({edit.name, edit.mergeKey, now_, serial_});
  future_.clear();
  now_ = std::move(*after);
  serial_ = ++lastSerial_;
  open_ = !edit.mergeKey.empty();
  return change;
}

Change History::undo() {
  if (past_.empty()) return {};
  Step step = std::move(past_.back());
  past_.pop_back();
  const Change change = changeBetween(now_, step.project);
  std::swap(now_, step.project);
  std::swap(serial_, step.serial);
  future_.push_back(std::move(step));
  open_ = false;
  return change;
}

Change History::redo() {
  if (future_.empty()) return {};
  Step step = std::move(future_.back());
  future_.pop_back();
  const Change change = changeBetween(now_, step.project);
  std::swap(now_, step.project);
  std::swap(serial_, step.serial);
  past_.push_back(std::move(step));
  open_ = false;
  return change;
}

}  // namespace bristle
