#include "desktop/rehearse/trace_panel.h"

#include <QHeaderView>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QStyledItemDelegate>
#include <QVBoxLayout>
#include <algorithm>

#include "core/derive/route_words.h"
#include "core/derive/trace_words.h"
#include "core/rehearse/reel.h"
#include "desktop/rehearse/rehearsal.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr int kGutter = 16;  // px: for the mark of what a take expects

// A line with its reason below it, lesser; at its left a mark where a take shall expect it.
class TraceLines : public QStyledItemDelegate {
 public:
  using QStyledItemDelegate::QStyledItemDelegate;

  QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override {
    const QString text = index.data().toString();
    const int width = std::max(80, widthOf(option, index) - gutter(index));
    return {80, heightOf(option.fontMetrics, text, width) + 4};
  }

  void paint(QPainter* p, const QStyleOptionViewItem& option,
             const QModelIndex& index) const override {
    const Theme& theme = themeOf(option.widget);
    if (option.state & QStyle::State_Selected) p->fillRect(option.rect, theme.tint);
    p->save();
    p->setRenderHint(QPainter::Antialiasing);
    if (gutter(index)) paintMark(p, option, index, theme);
    const QVariant font = index.data(Qt::FontRole);
    if (font.isValid()) p->setFont(font.value<QFont>());
    QRect room = option.rect.adjusted(gutter(index), 2, -2, 0);
    const QString text = index.data().toString();
    const qsizetype at = text.indexOf(QLatin1Char('\n'));
    QRect used;
    p->setPen(theme.ink);
    p->drawText(room, Qt::TextWordWrap, text.left(at < 0 ? text.size() : at), &used);
    room.setTop(used.bottom());
    p->setPen(theme.quiet);
    if (at >= 0) p->drawText(room, Qt::TextWordWrap, text.mid(at + 1));
    p->restore();
  }

  bool editorEvent(QEvent* event, QAbstractItemModel* model, const QStyleOptionViewItem& option,
                   const QModelIndex& index) override {
    if (!gutter(index)) return false;
    const bool clicked =
        event->type() == QEvent::MouseButtonRelease &&
        static_cast<QMouseEvent*>(event)->position().x() < option.rect.left() + kGutter;
    const bool typed =
        event->type() == QEvent::KeyPress && static_cast<QKeyEvent*>(event)->key() == Qt::Key_Space;
    if (!clicked && !typed) return false;
    const bool on = index.data(Qt::CheckStateRole).toInt() == Qt::Checked;
    return model->setData(index, on ? Qt::Unchecked : Qt::Checked, Qt::CheckStateRole);
  }

 private:
  static int gutter(const QModelIndex& index) { return index.parent().isValid() ? kGutter : 0; }
  static int widthOf(const QStyleOptionViewItem& option, const QModelIndex& index) {
    const auto* tree = qobject_cast<const QTreeView*>(option.widget);
    if (!tree) return option.rect.width();
    const int depth = index.parent().isValid() ? 1 : 0;
    return tree->viewport()->width() - tree->indentation() * depth - 4;
  }
  static int heightOf(const QFontMetrics& metrics, const QString& text, int width) {
    int out = 0;
    for (const QString& line : text.split(QLatin1Char('\n')))
      out += metrics.boundingRect(QRect(0, 0, width, 4000), Qt::TextWordWrap, line).height();
    return out;
  }
  static void paintMark(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index,
                        const Theme& theme) {
    const bool on = index.data(Qt::CheckStateRole).toInt() == Qt::Checked;
    if (!on && !(option.state & (QStyle::State_MouseOver | QStyle::State_Selected))) return;
    p->setPen(QPen(on ? theme.pinned : theme.quiet, 1.4));
    p->setBrush(on ? QBrush(theme.pinned) : QBrush(Qt::NoBrush));
    p->drawEllipse(QPointF(option.rect.left() + 7, option.rect.top() + 11), 4, 4);
  }
};

}  // namespace

TracePanel::TracePanel(Work& work, Rehearsal& rehearsal, QWidget* parent)
    : QWidget(parent), work_(work), rehearsal_(rehearsal) {
  build();
}

void TracePanel::build() {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(16, 4, 16, 8);
  column->setSpacing(8);
  only_ = new QComboBox;
  only_->setAccessibleName(tr("Only about"));
  only_->setToolTip(tr("Only what is about one button"));
  only_->addItem(tr("about everything"));
  connect(only_, &QComboBox::activated, this, [this](int index) {
    model_.setOnly(index > 0 ? offered_[size_t(index) - 1] : ItemId{});
    tree_->expandAll();
  });
  column->addWidget(only_);
  tree_ = new QTreeView;
  tree_->setAccessibleName(tr("Trace: what happened"));
  tree_->setModel(&model_);
  tree_->setItemDelegate(new TraceLines(tree_));
  tree_->setHeaderHidden(true);
  tree_->setIndentation(10);
  tree_->setRootIsDecorated(false);
  tree_->setItemsExpandable(true);
  tree_->setMouseTracking(true);
  tree_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  tree_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
  tree_->setMinimumHeight(160);
  tree_->setToolTip(
      tr("Pick a line to see its moment. Space, or a click at its left, marks what "
         "a take shall expect."));
  column->addWidget(tree_, 1);
  connect(tree_->selectionModel(), &QItemSelectionModel::currentChanged, this,
          [this](const QModelIndex& now) { pick(now); });
  connect(tree_, &QTreeView::activated, this, [this] { goThere(); });
  connect(&model_, &QAbstractItemModel::rowsInserted, this,
          [this](const QModelIndex&, int first, int last) {
            for (int row = first; row <= last; ++row) tree_->expand(model_.index(row, 0, {}));
          });
  connect(&model_, &QAbstractItemModel::modelReset, this, [this] { tree_->expandAll(); });
  why_ = new QLabel;
  why_->setWordWrap(true);
  why_->setProperty("quiet", true);
  column->addWidget(why_);
  there_ = new QPushButton;
  there_->hide();
  connect(there_, &QPushButton::clicked, this, &TracePanel::goThere);
  column->addWidget(there_);
}

void TracePanel::begin() {
  model_.follow(nullptr);
  model_.setOnly({});
  only_->clear();
  only_->addItem(tr("about everything"));
  offered_.clear();
  read_ = 0;
  refresh();
}

void TracePanel::refresh() {
  model_.follow(rehearsal_.reel());
  refreshButtons();
  const Reel* reel = rehearsal_.reel();
  // Who is in the list looks at a line of their own; else it goes along, also back in time.
  if (!reel || tree_->hasFocus()) return;
  const QModelIndex now = model_.indexBy(reel->now());
  const QModelIndex current = tree_->currentIndex();
  if (!now.isValid() || now == current) return;
  // A line that was picked stays picked, as long as its moment is the one that is seen.
  if (rehearsal_.still() && current.isValid() && model_.lineAt(current).at == model_.lineAt(now).at)
    return;
  following_ = true;
  tree_->setCurrentIndex(now);
  following_ = false;
  const int last = model_.rowCount(now) - 1;
  tree_->scrollTo(last >= 0 ? model_.index(last, 0, now) : now);
}

// Those that something has happened to.
void TracePanel::refreshButtons() {
  if (!rehearsal_.reel()) return;
  const auto& trace = rehearsal_.trace();
  const Project& project = rehearsal_.reel()->session().project();
  read_ = std::min(read_, trace.size());
  for (; read_ < trace.size(); ++read_) {
    const TraceEntry& entry = trace[read_];
    if (!entry.item || std::find(offered_.begin(), offered_.end(), entry.item) != offered_.end())
      continue;
    const Item* item = itemOf(entry, project);
    offered_.push_back(entry.item);
    only_->addItem(tr("about %1").arg(item ? toQt(displayName(*item)) : toQt(entry.item.text)));
  }
}

const TraceEntry* TracePanel::picked() const {
  const auto line = model_.lineAt(tree_->currentIndex());
  return line.entry >= 0 && size_t(line.entry) < rehearsal_.trace().size()
             ? &rehearsal_.trace()[size_t(line.entry)]
             : nullptr;
}

void TracePanel::pick(const QModelIndex& index) {
  const auto line = model_.lineAt(index);
  if (!following_ && index.isValid()) rehearsal_.seek(line.at);
  showWhy(index);
}

void TracePanel::showWhy(const QModelIndex&) {
  const TraceEntry* entry = following_ ? nullptr : picked();
  why_->setText(entry ? whyOf(*entry) : QString());
  why_->setVisible(!why_->text().isEmpty());
  there_->setVisible(entry && entry->item);
  if (!entry) return;
  const QString name = entry->type == TraceType::State   ? tr("To its machine")
                       : entry->type == TraceType::Focus ? tr("To its route")
                                                         : tr("To what it does");
  there_->setText(name);
  there_->setAccessibleName(name);
}

// What a route was chosen for, as the bench Route tells it.
QString TracePanel::whyOf(const TraceEntry& entry) const {
  const auto line = model_.lineAt(tree_->currentIndex());
  if (entry.type != TraceType::Focus || !entry.fromItem || line.event < 0) return {};
  const InputEvent& event = rehearsal_.reel()->fed()[size_t(line.event)];
  if (event.type != InputType::Move) return {};
  for (const ScreenRun& run : rehearsal_.reel()->session().stack())
    for (size_t b = 0; b < run.buttons.size(); ++b)
      if (run.buttons[b].item->id == entry.fromItem)
        return toQt(reasonInWords(run.routes, static_cast<int>(b), event.dir));
  return {};
}

void TracePanel::goThere() {
  const TraceEntry* entry = picked();
  if (!entry || !entry->item) return;
  const Project& project = work_.project();
  const ItemId from =
      entry->type == TraceType::Focus && entry->fromItem ? entry->fromItem : entry->item;
  for (const auto& screen : project.screens) {
    const Item* item = findItem(*screen, from);
    if (!item) continue;
    const auto line = model_.lineAt(tree_->currentIndex());
    const bool moved = entry->type == TraceType::Focus && line.event >= 0;
    const InputEvent event = moved ? rehearsal_.reel()->fed()[size_t(line.event)] : InputEvent{};
    const TraceType type = entry->type;
    const KindId kind = item->button() ? item->button()->kind : KindId{};
    work_.pickScreen(screen->id);
    work_.pickItems({from});
    if (type == TraceType::State && kind) work_.pickKind(kind);
    if (event.type == InputType::Move) work_.pickDir(event.dir);
    Q_EMIT wantsBench(type == TraceType::State   ? QStringLiteral("motion")
                      : type == TraceType::Focus ? QStringLiteral("route")
                                                 : QStringLiteral("flow"));
    return;
  }
  work_.tell(tr("That button is not in the project any more"), true);
}

}  // namespace bristle
