// A change from one screen to another, played in small.
#pragma once
#include <QElapsedTimer>
#include <QTimer>
#include <QWidget>

#include "runtime/document/action.h"
#include "runtime/document/ids.h"

namespace bristle {

class Work;

class ChangePlay : public QWidget {
  Q_OBJECT
 public:
  explicit ChangePlay(Work& work, QWidget* parent = nullptr);
  // `onTop`: what is left stays, and is dimmed as the other says.
  void show(const ScreenId& from, const ScreenId& to, const ScreenChange& change, bool onTop);
  void play();
  bool playing() const { return frames_.isActive(); }

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  void paintOne(QPainter& painter, const ScreenId& screen, const ScreenMotion& motion,
                double presence, const QRectF& at);
  Ms lasts() const;
  Work& work_;
  ScreenId from_, to_;
  ScreenChange change_;
  bool onTop_ = false;
  QTimer frames_;
  QElapsedTimer clock_;
};

}  // namespace bristle
