#include "desktop/flow/motion_rows.h"

#include "desktop/view/easing_text.h"
#include "desktop/view/form.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/document/whynot.h"

namespace bristle {

MotionRows::MotionRows(Work& work, Form& form, const QString& what, Change change)
    : QObject(&form), form_(form) {
  how_ = form.choice(what, {tr("at once"), tr("fade"), tr("slide"), tr("grow")}, [change](int i) {
    change([i](ScreenMotion& m) { m.form = static_cast<ScreenMotionForm>(i); });
  });
  edge_ = form.choice(
      tr("Edge"), {tr("left"), tr("right"), tr("top"), tr("bottom")},
      [change](int i) { change([i](ScreenMotion& m) { m.edge = static_cast<ScreenEdge>(i); }); });
  const auto number = [&](const QString& name, double least, double most, const QString& unit,
                          std::function<void(ScreenMotion&, double)> set) {
    QLineEdit* out = form.number(
        name, least, most,
        [change, set](double v) {
          change([set, v](ScreenMotion& m) { set(m, v); });
          return true;
        },
        unit);
    return out;
  };
  x_ = number(tr("Grows at x"), 0, 1, {}, [](ScreenMotion& m, double v) { m.x = v; });
  y_ = number(tr("Grows at y"), 0, 1, {}, [](ScreenMotion& m, double v) { m.y = v; });
  duration_ = number(tr("Duration"), 0, double(kLongestTime), QStringLiteral("ms"),
                     [](ScreenMotion& m, double v) { m.duration = Ms(v); });
  easing_ = easingText(
      work, form, [change](const Easing& e) { change([e](ScreenMotion& m) { m.easing = e; }); });
  follow_ = number(tr("Buttons follow by"), 0, 2000, QStringLiteral("ms"),
                   [](ScreenMotion& m, double v) { m.follow = Ms(v); });
  follow_->setToolTip(tr("So much later each button moves than the one before; 0: all at once"));
  const std::pair<QWidget*, QString> names[] = {
      {edge_, tr("edge")},         {x_, tr("grows at x")},  {y_, tr("grows at y")},
      {duration_, tr("duration")}, {easing_, tr("easing")}, {follow_, tr("buttons follow by")}};
  for (const auto& [field, name] : names)
    field->setAccessibleName(QStringLiteral("%1: %2").arg(what, name));
}

void MotionRows::show(const ScreenMotion& m) {
  refill(how_, static_cast<int>(m.form));
  refill(edge_, static_cast<int>(m.edge));
  refill(x_, QString::number(m.x));
  refill(y_, QString::number(m.y));
  refill(duration_, QString::number(m.duration));
  refill(easing_, toQt(toText(m.easing)));
  refill(follow_, QString::number(m.follow));
  const bool moves = m.form != ScreenMotionForm::Cut;
  form_.setRowVisible(how_, true);
  form_.setRowVisible(edge_, m.form == ScreenMotionForm::Slide);
  for (QLineEdit* each : {x_, y_}) form_.setRowVisible(each, m.form == ScreenMotionForm::Grow);
  for (QLineEdit* each : {duration_, easing_, follow_}) form_.setRowVisible(each, moves);
}

void MotionRows::hide() {
  for (QWidget* each :
       {static_cast<QWidget*>(how_), static_cast<QWidget*>(edge_), static_cast<QWidget*>(x_),
        static_cast<QWidget*>(y_), static_cast<QWidget*>(duration_), static_cast<QWidget*>(easing_),
        static_cast<QWidget*>(follow_)})
    form_.setRowVisible(each, false);
}

}  // namespace bristle
