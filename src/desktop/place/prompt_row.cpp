#include "desktop/place/prompt_row.h"

#include <algorithm>

#include "desktop/view/form.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

PromptRow::PromptRow(Work& work, Form& form, std::function<void(const std::optional<Prompt>&)> set)
    : work_(work), form_(form) {
  choice_ = form.choice(QObject::tr("Icon shows"), {}, [this, set = std::move(set)](int index) {
    if (size_t(index) < offered_.size()) set(offered_[size_t(index)]);
  });
  choice_->setToolTip(QObject::tr(
      "The sign of the key or controller button that does it, on the device that was used last"));
}

void PromptRow::refresh(const ButtonData& button) {
  const Project& project = work_.project();
  const Kind* kind = find(project, button.kind);
  const bool icon = kind && std::any_of(kind->parts.begin(), kind->parts.end(),
                                        [](const Part& p) { return p.type == PartType::Icon; });
  form_.setRowVisible(choice_, icon || button.prompt);
  offered_ = {std::nullopt, Prompt{Does::Accept}, Prompt{Does::Cancel}, Prompt{Does::TabLeft},
              Prompt{Does::TabRight}};
  QStringList words{QObject::tr("its own icon"), QObject::tr("the sign of accept"),
                    QObject::tr("the sign of cancel"), QObject::tr("the sign of tab left"),
                    QObject::tr("the sign of tab right")};
  for (const Shortcut& each : project.shortcuts) {
    offered_.push_back(Prompt{Does::Shortcut, each.id});
    words << QObject::tr("the sign of %1").arg(toQt(each.name));
  }
  auto at = std::find(offered_.begin(), offered_.end(), button.prompt);
  if (at == offered_.end()) {
    words << QObject::tr("a sign of what is gone");
    offered_.push_back(button.prompt);
    at = offered_.end() - 1;
  }
  refill(choice_, words, static_cast<int>(at - offered_.begin()));
}

}  // namespace bristle
