// What an empty place says: what it is for, and the buttons that begin.
#pragma once
#include <QLabel>
#include <QPushButton>
#include <QStackedWidget>
#include <QVBoxLayout>
#include <QWidget>
#include <functional>
#include <utility>
#include <vector>

namespace bristle {

class EmptyPage : public QWidget {
 public:
  EmptyPage(const QString& text,
            const std::vector<std::pair<QString, std::function<void()>>>& ways) {
    auto* column = new QVBoxLayout(this);
    column->addStretch(2);
    auto* label = new QLabel(text);
    label->setWordWrap(true);
    label->setAlignment(Qt::AlignCenter);
    column->addWidget(label);
    column->addSpacing(12);
    bool first = true;
    for (const auto& [name, run] : ways) {
      auto* button = new QPushButton(name);
      button->setAutoDefault(true);  // Return works it, too
      button->setAccessibleName(name);
      button->setProperty("main", first);
      if (first) setFocusProxy(button);
      first = false;
      column->addWidget(button, 0, Qt::AlignCenter);
      connect(button, &QPushButton::clicked, this, run);
    }
    auto* guide = new QLabel(QObject::tr(
        "A menu comes about step by step: shape a kind of button, set it in motion,\n"
        "place its buttons on screens, see where focus goes between them, rehearse it.\n"
        "The tabs above are these steps."));
    guide->setProperty("quiet", true);
    guide->setAlignment(Qt::AlignCenter);
    column->addSpacing(16);
    column->addWidget(guide, 0, Qt::AlignCenter);
    column->addStretch(3);
  }
};

// Turns to a page; the keys go there, too.
inline void turnTo(QStackedWidget* pages, int index) {
  if (pages->currentIndex() == index) return;
  pages->setCurrentIndex(index);
  if (pages->isVisible()) pages->currentWidget()->setFocus();
}

}  // namespace bristle
