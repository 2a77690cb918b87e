#include "desktop/view/condition_text.h"

#include "core/derive/formula_names.h"
#include "desktop/view/form.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/machine/condition.h"

namespace bristle {

QLineEdit* conditionText(Work& work, Form& form, const QString& name,
                         std::function<ScreenId()> where,
                         std::function<bool(const std::string&)> set) {
  QLineEdit* out =
      form.text(name, [&work, where = std::move(where), set = std::move(set)](const QString& text) {
        const auto formula = withIds(work.project(), fromQt(text.trimmed()), where());
        const auto read =
            formula ? readCondition(work.project(), *formula) : tl::unexpected(formula.error());
        if (read) return set(*formula);
        work.tell(QObject::tr("This condition cannot be read: %1").arg(toQt(read.error().text())),
                  true);
        return false;
      });
  out->setPlaceholderText(QObject::tr("always"));
  out->setToolTip(
      QObject::tr("A condition over values: @sections >= 3 and not visited(@[Hull bay])"));
  return out;
}

void refillCondition(const Work& work, QLineEdit* field, const std::string& condition) {
  refill(field, toQt(withNames(work.project(), condition)));
}

}  // namespace bristle
