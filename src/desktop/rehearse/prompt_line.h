// What can be pressed just now, with the signs of the device that was used last.
#pragma once
#include <QWidget>
#include <utility>
#include <vector>

#include "runtime/document/project.h"

namespace bristle {

class Session;

class PromptLine : public QWidget {
  Q_OBJECT
 public:
  explicit PromptLine(QWidget* parent = nullptr);
  void refresh(const Session& session);
  QSize sizeHint() const override { return {200, 30}; }

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  // A sign with what it does; without one the words alone.
  struct Entry {
    std::vector<Sign> signs;
    QString words;
  };
  std::vector<Entry> entries_;
  PadSigns pad_ = PadSigns::Dots;
};

}  // namespace bristle
