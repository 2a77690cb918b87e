// The rows of a form that say how a screen comes or goes.
#pragma once
#include <QObject>
#include <functional>

#include "runtime/document/action.h"

class QComboBox;
class QLineEdit;

namespace bristle {

class Form;
class Work;

class MotionRows : public QObject {
  Q_OBJECT
 public:
  using Change = std::function<void(std::function<void(ScreenMotion&)>)>;
  // `what` is what the first row is called, and what the others’ names begin with: “Comes”.
  MotionRows(Work& work, Form& form, const QString& what, Change change);
  void show(const ScreenMotion& motion);
  void hide();

 private:
  Form& form_;
  QComboBox *how_, *edge_;
  QLineEdit *duration_, *easing_, *follow_, *x_, *y_;
};

}  // namespace bristle
