#include "desktop/place/series_form.h"

#include <QShortcut>
#include <QVBoxLayout>

#include "core/edit/screen_edits.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

SeriesForm::SeriesForm(Work& work) : work_(work) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  auto* form = new Form;
  column->addWidget(form);
  form->heading(tr("ADD BUTTONS"));
  form->note(tr("One caption a line; Ctrl+Return lays down a column."));
  captions_ = new QPlainTextEdit;
  captions_->setAccessibleName(tr("Captions, one a line"));
  captions_->setTabChangesFocus(true);
  captions_->setFixedHeight(84);
  form->wide(captions_);
  kind_ = form->choice(tr("Kind"), {}, [this](int i) {
    if (size_t(i) < work_.project().kinds.size())
      work_.pickKind(work_.project().kinds[size_t(i)]->id);
  });
  column_ = form->button(tr("Lay down a column"), [this] { lay(Flow::Column); });
  row_ = form->button(tr("Lay down a row"), [this] { lay(Flow::Row); });
  column_->setToolTip(tr("Ctrl+Return in the captions"));
  for (const int key : {Qt::Key_Return, Qt::Key_Enter}) {
    auto* now = new QShortcut(QKeySequence(Qt::CTRL | key), captions_);
    now->setContext(Qt::WidgetShortcut);
    connect(now, &QShortcut::activated, column_, &QPushButton::click);
  }
  new WhileSeen(work, this, [this] { refresh(); });
  connect(captions_, &QPlainTextEdit::textChanged, this, &SeriesForm::refresh);
  refresh();
}

void SeriesForm::begin() {
  captions_->setFocus();
}

void SeriesForm::refresh() {
  QStringList names;
  int picked = -1;
  for (const auto& kind : work_.project().kinds) {
    if (kind->id == work_.picked().kind) picked = int(names.size());
    names << toQt(kind->name);
  }
  refill(kind_, names, picked);
  const bool ready = picked >= 0 && work_.screen() && !captions_->toPlainText().trimmed().isEmpty();
  column_->setEnabled(ready);
  row_->setEnabled(ready);
  captions_->setPlaceholderText(names.isEmpty() ? tr("First make a kind on the Shape bench")
                                                : tr("Dive\nLogbook\n…"));
}

void SeriesForm::lay(Flow flow) {
  std::vector<std::string> captions;
  for (const QString& line : captions_->toPlainText().split(QLatin1Char('\n')))
    if (!line.trimmed().isEmpty()) captions.push_back(fromQt(line.trimmed()));
  const Screen* screen = work_.screen();
  if (!screen || captions.empty()) return;
  // Below what is there already, so that a second series does not cover the first.
  const Layout& layout = work_.layout();
  double x = 160, y = 160;
  for (size_t i = 0; i < screen->items.size(); ++i) {
    const Item& item = *screen->items[i];
    if (!item.button() && !item.container()) continue;
    const Box& box = layout.items[i].box;
    if (box.y + box.h + 32 < layout.height - 160) y = std::max(y, box.y + box.h + 32);
    x = std::min(std::max(x, box.x), layout.width - 200);
  }
  const size_t before = screen->items.size();
  if (!work_.perform(addSeries(screen->id, work_.picked().kind, captions, flow, x, y))) return;
  captions_->clear();
  std::vector<ItemId> added;
  const auto& items = work_.screen()->items;
  for (size_t i = before; i < items.size(); ++i)
    if (items[i]->button()) added.push_back(items[i]->id);
  work_.pickItems(added);
}

}  // namespace bristle
