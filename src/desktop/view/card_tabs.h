// Several cards under a row of their names, one of them shown.
#pragma once
#include <QApplication>
#include <QButtonGroup>
#include <QHBoxLayout>
#include <QToolButton>

#include "desktop/view/card_stack.h"

namespace bristle {

class CardTabs : public QWidget {
  Q_OBJECT
 public:
  // The names first, so that Tab goes over all of them before it comes into a card.
  explicit CardTabs(const QStringList& names) : QWidget(nullptr) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(0);
    auto* row = new QHBoxLayout;
    row->setContentsMargins(16, 0, 16, 4);
    row->setSpacing(4);
    tabs_ = new QButtonGroup(this);
    for (const QString& name : names) {
      auto* tab = new QToolButton;
      tab->setText(name);
      tab->setAccessibleName(name);
      tab->setCheckable(true);
      const int at = static_cast<int>(tabs_->buttons().size());
      tab->setChecked(at == 0);
      tabs_->addButton(tab, at);
      row->addWidget(tab);
    }
    row->addStretch();
    column->addLayout(row);
    column->addWidget(cards_ = new CardStack, 1);
    connect(tabs_, &QButtonGroup::idClicked, this, [this](int at) {
      choose(at);
      Q_EMIT chose(at);
    });
  }
  // In the order of their names. The first one is shown until another is chosen.
  void addCard(QWidget* card) { cards_->addCard(card); }
  int chosen() const { return cards_->chosen(); }
  void choose(int at) {
    tabs_->button(at)->setChecked(true);
    // What is hidden would hand focus on to whatever comes first in the window.
    if (at != chosen() && cards_->isAncestorOf(QApplication::focusWidget()))
      tabs_->button(at)->setFocus();
    cards_->choose(at);
  }

 Q_SIGNALS:
  void chose(int at);  // by a person

 private:
  CardStack* cards_;
  QButtonGroup* tabs_;
};

}  // namespace bristle
