// A field for keys or controller buttons: typed, or pressed, or chosen from a list.
#pragma once
#include <QLineEdit>
#include <QWidget>
#include <vector>

#include "runtime/document/binding.h"

class QToolButton;

namespace bristle {

class SignsField : public QWidget {
  Q_OBJECT
 public:
  // `what`: what they do, for its accessible name.
  SignsField(Sign::Of of, const QString& what, QWidget* parent = nullptr);
  // `otherwise`: what counts where there are none of its own.
  void set(const std::vector<Sign>& signs, const std::vector<Sign>& otherwise = {});
  // Whether one of them does something else, too.
  void setClash(bool on);

 Q_SIGNALS:
  void changed(const std::vector<bristle::Sign>& signs);
  void refused(const QString& why);

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  void take();
  void listen(bool on);
  void add(Sign sign);
  void toggle(const Sign& sign);
  Sign::Of of_;
  std::vector<Sign> signs_, otherwise_;
  QLineEdit* text_;
  QToolButton* add_;
};

}  // namespace bristle
