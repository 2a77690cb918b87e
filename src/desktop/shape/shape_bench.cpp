#include "desktop/shape/shape_bench.h"

#include <QAction>
#include <QHBoxLayout>
#include <QPushButton>
#include <QVBoxLayout>

#include "desktop/shape/ledger.h"
#include "desktop/shape/shape_card.h"
#include "desktop/view/empty_page.h"
#include "paint/convert.h"

namespace bristle {

ShapeBench::ShapeBench(Work& work, QWidget* parent) : Bench(parent), work_(work) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(0);
  auto* head = new QHBoxLayout;
  head->setContentsMargins(16, 8, 16, 8);
  head->setSpacing(12);
  title_ = new QLabel;
  title_->setProperty("title", true);
  about_ = new QLabel;
  about_->setProperty("quiet", true);
  goesTo_ = new QLabel;
  head->addWidget(title_);
  head->addWidget(about_);
  head->addStretch();
  head->addWidget(goesTo_);
  column->addLayout(head);
  pages_ = new QStackedWidget;
  ledger_ = new Ledger(work);
  pages_->addWidget(ledger_);
  pages_->addWidget(new EmptyPage(tr("A kind is a button design: made once, placed many times."),
                                  {{tr("New kind from “menu button”"), [this] {
                                      work_.perform(addKind("Menu entry", Wins::Hover));
                                    }}}));
  column->addWidget(pages_, 1);
  card_ = new ShapeCard(work);
  addCommands();
  connect(&work, &Work::changed, this, &ShapeBench::refresh);
  connect(&work, &Work::pickedChanged, this, &ShapeBench::refresh);
  refresh();
}

QWidget* ShapeBench::card() {
  return card_;
}

void ShapeBench::addCommands() {
  const auto add = [this](const QString& name, const QKeySequence& keys, auto run) {
    auto* action = new QAction(name, this);
    action->setShortcut(keys);
    action->setShortcutContext(Qt::WidgetWithChildrenShortcut);
    connect(action, &QAction::triggered, this, run);
    addAction(action);
    commands_.push_back(action);
  };
  add(tr("New kind"), {}, [this] { work_.perform(addKind("Menu entry", Wins::Hover)); });
  add(tr("Duplicate kind"), {}, [this] {
    if (work_.kind()) work_.perform(duplicateKind(work_.kind()->id));
  });
  add(tr("Remove kind"), {}, [this] {
    if (work_.kind()) work_.perform(removeKind(work_.kind()->id));
  });
  add(tr("Edits go to the next state"), QKeySequence(Qt::ALT | Qt::Key_Right),
      [this] { card_->step(1); });
  add(tr("Edits go to the state before"), QKeySequence(Qt::ALT | Qt::Key_Left),
      [this] { card_->step(-1); });
  add(tr("Back to the base"), {}, [this] {
    if (work_.kind())
      work_.perform(clearLook(work_.kind()->id, work_.picked().columns, work_.picked().property));
  });
}

void ShapeBench::refresh() {
  const Kind* kind = work_.kind();
  pages_->setCurrentIndex(kind ? 0 : 1);
  title_->setText(kind ? toQt(kind->name) : tr("No kind yet"));
  int placed = 0;
  if (kind)
    for (const auto& screen : work_.project().screens)
      for (const auto& item : screen->items)
        placed += item->button() && item->button()->kind == kind->id;
  about_->setText(kind ? tr("%1 × %2 px · %3 placed").arg(kind->width).arg(kind->height).arg(placed)
                       : QString());
  goesTo_->setVisible(kind != nullptr);
  goesTo_->setText(tr("Edits go to <b>%1</b>").arg(card_->columnNames()));
}

QString ShapeBench::hint() const {
  if (!work_.kind()) return tr("A menu needs at least one kind of button");
  return tr("Shift on a tile picks more states · type into a cell · Del falls back to the base");
}

}  // namespace bristle
