// The screen on every display and in every language, live and small, with what the bench has to say
// of each; a click makes one of them the one that is worked on.
#pragma once
#include <QWidget>

#include "desktop/derive/miniatures.h"

namespace bristle {

class StripMarks;
class Work;

class DisplayStrip : public QWidget {
  Q_OBJECT
 public:
  // Both must outlive it.
  DisplayStrip(Work& work, const StripMarks& marks, QWidget* parent = nullptr);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void focusInEvent(QFocusEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;
  bool event(QEvent* event) override;

 private:
  struct Slot {
    const Display* display;
    const Language* language;
    QRect picture, all;  // where it is, with its words
  };
  // Display by display, each in all languages.
  std::vector<Slot> slotsNow() const;
  int picked(const std::vector<Slot>& all) const;
  void pick(const Slot& slot);
  void scrollTo(int x);
  void paintSlot(QPainter& painter, const Slot& slot, bool on) const;
  QString words(const Slot& slot) const;
  Work& work_;
  const StripMarks& marks_;
  int scrolled_ = 0;  // px
};

}  // namespace bristle
