// The colours that the project uses already, to be taken with a click or a key.
#pragma once
#include <QWidget>
#include <vector>

#include "runtime/document/project.h"

namespace bristle {

// All colours in the kinds' looks, each once, the most used first, at most `most`.
std::vector<Colour> coloursOf(const Project& project, size_t most);

class Swatches : public QWidget {
  Q_OBJECT
 public:
  explicit Swatches(QWidget* parent = nullptr);
  // From left to right.
  void setColours(std::vector<Colour> colours);
  QSize sizeHint() const override;

 Q_SIGNALS:
  // A person clicked one.
  void taken(bristle::Colour colour);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void focusInEvent(QFocusEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;

 private:
  QRect cell(int index) const;
  std::vector<Colour> colours_;
  int current_ = 0;
};

}  // namespace bristle
