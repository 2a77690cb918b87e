// One of several cards at a time, as high as the one that is shown: a stack as high as the highest
// would leave room to scroll into nothing.
#pragma once
#include <QVBoxLayout>
#include <QWidget>

namespace bristle {

class CardStack : public QWidget {
  Q_OBJECT
 public:
  explicit CardStack(QWidget* parent = nullptr) : QWidget(parent) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
  }
  // The first one is shown until another is chosen.
  void addCard(QWidget* card) {
    layout()->addWidget(card);
    card->setVisible(layout()->count() == 1);
  }
  int chosen() const { return chosen_; }
  void choose(int index) {
    if (index == chosen_) return;
    layout()->itemAt(chosen_)->widget()->hide();
    layout()->itemAt(index)->widget()->show();
    chosen_ = index;
  }

 private:
  int chosen_ = 0;
};

}  // namespace bristle
