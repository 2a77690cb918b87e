#include "desktop/route/answer_form.h"

#include "core/edit/screen_edits.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

AnswerForm::AnswerForm(Work& work) : work_(work) {
  heading(tr("BESIDE THE DIRECTIONS"));
  by_ = choice(tr("Pressed by"), {}, [this](int i) {
    Answers answers;
    answers.cancel = i == 1;
    if (i >= 2 && size_t(i) - 2 < work_.project().shortcuts.size())
      answers.shortcut = work_.project().shortcuts[size_t(i) - 2].id;
    else if (i >= 2)
      return;  // both, as it is
    change("press by", [answers](ButtonData& b) { b.answers = answers; });
  });
  by_->setToolTip(
      tr("A key or controller button presses it from wherever focus is. Shortcuts are "
         "made under Keys."));
  aside_ = check(tr("Focus never comes to it"), [this](bool on) {
    change(on ? "keep focus away" : "let focus come", [on](ButtonData& b) { b.aside = on; });
  });
}

void AnswerForm::change(const char* name, std::function<void(ButtonData&)> apply) {
  if (work_.screen())
    work_.perform(changeItems(work_.screen()->id, work_.picked().items, name, {},
                              [apply = std::move(apply)](Item& item) {
                                if (auto* b = item.button()) apply(*b);
                              }));
}

void AnswerForm::refresh() {
  const ButtonData* button = work_.item() ? work_.item()->button() : nullptr;
  setVisible(button && !isStill(work_.project(), *work_.item()));
  if (!button) return;
  const Answers& answers = button->answers;
  QStringList ways{tr("nothing else"), tr("cancel")};
  int now = answers.cancel ? 1 : 0;
  for (const Shortcut& each : work_.project().shortcuts) {
    if (each.id == answers.shortcut) now = static_cast<int>(ways.size());
    ways << toQt(each.name);
  }
  const bool gone = answers.shortcut && now < 2;
  if (gone || (answers.cancel && answers.shortcut)) {
    const Shortcut* shortcut = bristle::find(work_.project(), answers.shortcut);
    const QString name = shortcut ? toQt(shortcut->name) : tr("a shortcut that is gone");
    now = static_cast<int>(ways.size());
    ways << (answers.cancel ? tr("cancel, and %1").arg(name) : name);
  }
  refill(by_, ways, now);
  refill(aside_, button->aside);
}

}  // namespace bristle
