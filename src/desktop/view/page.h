// A page that takes the place of a bench's work area for one job: a title, what it is for, its
// body, and a way back.
#pragma once
#include <QAction>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>
#include <QWidget>

namespace bristle {

class Page : public QWidget {
  Q_OBJECT
 public:
  // `purpose`: in one sentence, what for. `leave`: what the way back says.
  Page(const QString& title, const QString& purpose, QWidget* parent,
       const QString& leave = tr("Back to the wall"))
      : QWidget(parent), purpose_(purpose) {
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(title);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(16, 4, 12, 10);
    column->setSpacing(8);
    auto* head = new QHBoxLayout;
    auto* name = new QLabel(title);
    name->setProperty("title", true);
    auto* about = new QLabel(purpose);
    about->setProperty("quiet", true);
    about->setWordWrap(true);
    auto* back = button(leave);
    back->setToolTip(tr("Esc"));
    connect(back, &QPushButton::clicked, this, &Page::done);
    auto* escape = new QAction(this);
    escape->setShortcut(QKeySequence(Qt::Key_Escape));
    escape->setShortcutContext(Qt::WidgetWithChildrenShortcut);
    connect(escape, &QAction::triggered, this, &Page::done);
    addAction(escape);
    head->addWidget(name);
    head->addWidget(about, 1);
    head->addWidget(back);
    column->addLayout(head);
    body_ = new QVBoxLayout;
    body_->setSpacing(8);
    column->addLayout(body_, 1);
  }

  const QString& purpose() const { return purpose_; }

 Q_SIGNALS:
  // The person goes back.
  void done();

 protected:
  QVBoxLayout* body() const { return body_; }
  static QPushButton* button(const QString& name) {
    auto* out = new QPushButton(name);
    out->setAutoDefault(true);  // Return works it, too
    out->setAccessibleName(name);
    return out;
  }
  // A row of widgets at the left.
  QHBoxLayout* row(std::initializer_list<QWidget*> widgets) {
    auto* line = new QHBoxLayout;
    for (QWidget* widget : widgets) line->addWidget(widget);
    line->addStretch();
    body_->addLayout(line);
    return line;
  }

 private:
  QString purpose_;
  QVBoxLayout* body_;
};

}  // namespace bristle
