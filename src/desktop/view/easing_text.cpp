#include "desktop/view/easing_text.h"

#include "desktop/view/form.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

QLineEdit* easingText(Work& work, Form& form, std::function<void(const Easing&)> set) {
  const QString name = QObject::tr("Easing as text");
  QLineEdit* out = form.text(name, [&work, set = std::move(set)](const QString& text) {
    const auto easing = parseEasing(fromQt(text));
    if (easing) set(*easing);
    if (!easing)
      work.tell(QObject::tr("“%1” is not taken; expected linear, bezier x1 y1 x2 y2, steps n, or "
                            "spring period damping.")
                    .arg(text),
                true);
    return easing.has_value();
  });
  out->setAccessibleName(name);
  return out;
}

}  // namespace bristle
