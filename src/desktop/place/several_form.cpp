#include "desktop/place/several_form.h"

#include "desktop/place/arranging.h"

namespace bristle {

SeveralForm::SeveralForm(Arranging& arranging) : arranging_(arranging) {
  layout()->setContentsMargins(16, 4, 16, 4);
  const auto gap = [this](const QString& name, bool horizontal) {
    auto* field = number(
        name, -1e5, 1e5, [=, this](double px) { return arranging_.space(horizontal, px); },
        QStringLiteral("px"));
    field->setPlaceholderText(tr("differs"));
    return field;
  };
  across_ = gap(tr("Gap across"), true);
  down_ = gap(tr("Gap down"), false);
}

void SeveralForm::refresh() {
  setVisible(arranging_.movable() > 1);
  const auto show = [](QLineEdit* field, std::optional<double> gap) {
    refill(field, gap ? QString::number(*gap, 'g', 6) : QString());
  };
  show(across_, arranging_.gap(true));
  show(down_, arranging_.gap(false));
}

}  // namespace bristle
