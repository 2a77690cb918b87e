#include "desktop/place/series_form.h"

#include <QShortcut>
#include <QVBoxLayout>

#include "desktop/view/text_file.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

SeriesForm::SeriesForm(Work& work) : work_(work) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->addWidget(form_ = new Form);
  head_ = form_->heading(QString());
  form_->note(tr("A caption a line, or a table with heads: caption, key, kind, target, name."));
  captions_ = new QPlainTextEdit;
  captions_->setAccessibleName(tr("Captions, one a line"));
  captions_->setTabChangesFocus(true);
  captions_->setFixedHeight(84);
  form_->wide(captions_);
  form_->button(tr("From a file…"), [this] {
    const auto text = askForText(this, work_, tr("Captions from a file"),
                                 tr("Lists and tables (*.csv *.tsv *.txt);;All files (*)"));
    if (text) captions_->setPlainText(*text);
  });
  kind_ = form_->choice(tr("Kind"), {}, [this](int i) {
    if (size_t(i) < work_.project().kinds.size())
      work_.pickKind(work_.project().kinds[size_t(i)]->id);
  });
  column_ = form_->button(tr("Lay down a column"), [this] { lay(Flow::Column); });
  row_ = form_->button(tr("Lay down a row"), [this] { lay(Flow::Row); });
  into_ = form_->button(tr("Lay into this container"), [this] { layIn(); });
  column_->setToolTip(tr("Ctrl+Return in the captions"));
  into_->setToolTip(tr("Rows with the key of a button that is there change it; others are added"));
  for (const int key : {Qt::Key_Return, Qt::Key_Enter}) {
    auto* now = new QShortcut(QKeySequence(Qt::CTRL | key), captions_);
    now->setContext(Qt::WidgetShortcut);
    connect(now, &QShortcut::activated, this, [this] { (container() ? into_ : column_)->click(); });
  }
  new WhileSeen(work, this, [this] { refresh(); });
  connect(captions_, &QPlainTextEdit::textChanged, this, &SeriesForm::refresh);
  refresh();
}

void SeriesForm::begin() {
  captions_->setFocus();
}

const Item* SeriesForm::container() const {
  return work_.item() && work_.item()->container() ? work_.item() : nullptr;
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
  for (QPushButton* button : {column_, row_, into_}) button->setEnabled(ready);
  captions_->setPlaceholderText(names.isEmpty() ? tr("First make a kind on the Shape bench")
                                                : tr("Dive\nLogbook\n…"));
  captions_->viewport()->update();  // it is not painted anew by itself (seen with Qt 6.4)
  head_->setText(container() ? tr("ADD BUTTONS TO IT") : tr("ADD BUTTONS"));
  column_->setVisible(!container());
  row_->setVisible(!container());
  into_->setVisible(container());
}

std::optional<std::vector<SeriesRow>> SeriesForm::rows() {
  auto out = readSeries(work_.project(), fromQt(captions_->toPlainText()));
  if (out) return std::move(*out);
  work_.tell(toQt(out.error().text()), true);
  return {};
}

void SeriesForm::lay(Flow flow) {
  const Screen* screen = work_.screen();
  if (!screen) return;
  const auto series = rows();
  if (!series) return;
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
  if (!work_.perform(layDown(screen->id, work_.picked().kind, *series, flow, x, y))) return;
  captions_->clear();
  std::vector<ItemId> added;
  const auto& items = work_.screen()->items;
  for (size_t i = before; i < items.size(); ++i)
    if (items[i]->button()) added.push_back(items[i]->id);
  work_.pickItems(added);
}

void SeriesForm::layIn() {
  const Item* into = container();
  if (!into) return;
  const auto series = rows();
  if (!series) return;
  const SeriesDone would = seriesWouldDo(*work_.screen(), into->id, *series);
  if (!work_.perform(layInto(work_.screen()->id, into->id, work_.picked().kind, *series))) return;
  captions_->clear();
  work_.tell(tr("%1 added, %2 brought up to date, %3 that the list does not name kept")
                 .arg(would.added)
                 .arg(would.updated)
                 .arg(would.kept));
}

}  // namespace bristle
