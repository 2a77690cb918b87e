#include "desktop/shelf/shelf.h"

#include <QEvent>
#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QShortcut>
#include <QToolButton>
#include <QVBoxLayout>

#include "core/edit/group_edits.h"
#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "desktop/derive/findings_watch.h"
#include "desktop/view/counted.h"
#include "desktop/view/kind_mime.h"
#include "desktop/work/theme.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/layout/layout.h"

namespace bristle {
namespace {
constexpr QSize kMiniature(64, 38);
constexpr int kWide = 84;  // px that words have beside it
constexpr int kSoon = 30;  // ms after a change until miniatures are looked at: once for many

// Not tinted when it is picked: it shows the thing itself.
QIcon iconOf(const QPixmap& picture) {
  QIcon icon(picture);
  icon.addPixmap(picture, QIcon::Selected);
  return icon;
}

}  // namespace

namespace {

// Kinds, several at once, or a reusable group, which stand below them, can be dragged off it.
class KindList : public QListWidget {
 public:
  explicit KindList(Work& work) : work_(work) {
    setDragEnabled(true);
    setDragDropMode(QAbstractItemView::DragOnly);
    setSelectionMode(QAbstractItemView::ExtendedSelection);
  }

 protected:
  QStringList mimeTypes() const override { return {kindMimeType(), groupMimeType()}; }
  QMimeData* mimeData(const QList<QListWidgetItem*>& items) const override {
    const Project& p = work_.project();
    std::vector<KindId> kinds;
    for (const QListWidgetItem* item : items)
      if (const auto at = size_t(row(item)); at < p.kinds.size()) kinds.push_back(p.kinds[at]->id);
    if (!kinds.empty() || items.isEmpty()) return mimeOf(kinds);
    const size_t group = size_t(row(items.front())) - p.kinds.size();
    return group < p.groups.size() ? mimeOf(p.groups[group]->id) : mimeOf(kinds);
  }

 private:
  Work& work_;
};

}  // namespace

Shelf::Shelf(Work& work, QWidget* parent) : QWidget(parent), work_(work) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(8, 8, 8, 8);
  column->setSpacing(4);
  kinds_ = list(new KindList(work), tr("Kinds"), tr("New kind"), [this] { newKind(); });
  screens_ = list(new QListWidget, tr("Screens"), tr("New screen"), [this] { newScreen(); });
  connect(kinds_, &QListWidget::currentRowChanged, this, [this](int row) {
    const auto& kinds = work_.project().kinds;
    if (!filling_ && row >= 0 && size_t(row) < kinds.size()) work_.pickKind(kinds[size_t(row)]->id);
  });
  connect(kinds_, &QListWidget::itemActivated, this, [this](QListWidgetItem* item) {
    const auto at = size_t(kinds_->row(item));
    const Project& p = work_.project();
    if (at < p.kinds.size())
      Q_EMIT work_.kindChosen(p.kinds[at]->id);
    else if (at - p.kinds.size() < p.groups.size())
      Q_EMIT work_.groupChosen(p.groups[at - p.kinds.size()]->id);
  });
  connect(screens_, &QListWidget::currentRowChanged, this, [this](int row) {
    if (!filling_ && row >= 0) work_.pickScreen(work_.project().screens[size_t(row)]->id);
  });
  const auto onDelete = [](QListWidget* list, std::function<void()> remove) {
    list->setAccessibleDescription(tr("Delete removes what is picked"));
    new QShortcut(QKeySequence::Delete, list, std::move(remove), Qt::WidgetShortcut);
  };
  onDelete(kinds_, [this] { removeKinds(); });
  onDelete(screens_, [this] {
    if (work_.screen()) work_.perform(removeScreen(work_.screen()->id));
  });
  soon_.setSingleShot(true);
  soon_.setInterval(kSoon);
  connect(&soon_, &QTimer::timeout, this, &Shelf::showMiniatures);
  connect(&work.miniatures(), &Miniatures::changed, this, [this] {
    if (isVisible() && !soon_.isActive()) soon_.start();
  });
  connect(&work.findings(), &FindingsWatch::changed, this, [this] {
    if (isVisible()) refresh();
  });
  new WhileSeen(work, this, [this] { refresh(); });
  refresh();
}

void Shelf::newKind() {
  if (work_.perform(addKind("Menu entry", Wins::Hover)))
    work_.pickKind(work_.project().kinds.back()->id);
}

void Shelf::newScreen() {
  if (work_.perform(addScreen("Screen"))) work_.pickScreen(work_.project().screens.back()->id);
}

// Groups stand among them.
void Shelf::removeKinds() {
  const Project& p = work_.project();
  std::vector<Edit> all;
  for (const QListWidgetItem* item : kinds_->selectedItems()) {
    const auto at = size_t(kinds_->row(item));
    if (at < p.kinds.size())
      all.push_back(removeKind(p.kinds[at]->id));
    else if (at - p.kinds.size() < p.groups.size())
      all.push_back(removeGroup(p.groups[at - p.kinds.size()]->id));
  }
  if (all.size() == 1) work_.perform(all.front());
  if (all.size() > 1) work_.perform(together(fromQt(tr("remove kinds")), std::move(all)));
}

QListWidget* Shelf::list(QListWidget* out, const QString& name, const QString& add,
                         std::function<void()> make) {
  auto* head = new QHBoxLayout;
  auto* label = new QLabel(name.toUpper());
  label->setProperty("heading", true);
  head->addWidget(label);
  head->addStretch();
  auto* button = new QToolButton;
  button->setText(tr("+ new"));
  button->setAccessibleName(add);
  button->setToolTip(add);
  button->setProperty("plain", true);
  button->setFocusPolicy(Qt::StrongFocus);
  connect(button, &QToolButton::clicked, this, [make = std::move(make)] { make(); });
  head->addWidget(button);
  static_cast<QVBoxLayout*>(layout())->addLayout(head);
  out->setAccessibleName(name);
  out->setIconSize(kMiniature);
  out->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  out->setWordWrap(true);
  static_cast<QVBoxLayout*>(layout())->addWidget(out, 1);
  return out;
}

void Shelf::fill(QListWidget* list, int count, int picked,
                 const std::function<void(int, QListWidgetItem&)>& show) {
  while (list->count() > count) delete list->takeItem(list->count() - 1);
  while (list->count() < count) {
    QPixmap blank(kMiniature);
    blank.fill(themeOf(this).work);
    list->addItem(new QListWidgetItem(iconOf(blank), QString()));
  }
  for (int i = 0; i < count; ++i) show(i, *list->item(i));
  if (list->currentRow() != picked) list->setCurrentRow(picked);
}

// Miniatures stand on the theme's ground.
void Shelf::changeEvent(QEvent* event) {
  if (event->type() == QEvent::StyleChange && !soon_.isActive()) soon_.start();
  QWidget::changeEvent(event);
}

void Shelf::refresh() {
  filling_ = true;
  const Project& p = work_.project();
  // With what is found there, in a line of its own.
  const auto show = [](QListWidgetItem& item, QStringList lines, const QStringList& found) {
    if (!found.empty()) lines << counted(found.size(), tr("%n finding"), tr("%n findings"));
    const QString text = lines.join(QLatin1Char('\n'));
    item.setText(text);
    const QFontMetrics metrics(item.listWidget()->font());
    const QRect room(0, 0, kWide, 400);
    item.setSizeHint({0, std::max(kMiniature.height(),
                                  metrics.boundingRect(room, Qt::TextWordWrap, text).height()) +
                             10});
    item.setToolTip(found.join(QLatin1Char('\n')));
  };
  int kind = -1, screen = -1;
  for (size_t i = 0; i < p.kinds.size(); ++i)
    if (p.kinds[i]->id == work_.picked().kind) kind = static_cast<int>(i);
  for (size_t i = 0; i < p.screens.size(); ++i)
    if (p.screens[i]->id == work_.picked().screen) screen = static_cast<int>(i);
  fill(kinds_, static_cast<int>(p.kinds.size() + p.groups.size()), kind,
       [&](int i, QListWidgetItem& item) {
         const auto at = size_t(i);
         if (at >= p.kinds.size())
           return show(item, {toQt(p.groups[at - p.kinds.size()]->name), tr("reusable group")}, {});
         const KindId& id = p.kinds[at]->id;
         show(item, {toQt(p.kinds[at]->name)}, work_.findings().wordsOf([&](const Finding& f) {
           return f.kind == id && !f.screen;
         }));
       });
  fill(screens_, static_cast<int>(p.screens.size()), screen, [&](int i, QListWidgetItem& item) {
    const Screen& s = *p.screens[size_t(i)];
    QStringList lines{toQt(s.name)};
    if (s.id == p.first) lines << tr("opens first");
    show(item, lines, work_.findings().wordsOf([&](const Finding& f) { return f.screen == s.id; }));
  });
  filling_ = false;
  if (!soon_.isActive()) soon_.start();
}

ShownScreen Shelf::shownAlone(const Shared<Group>& group) {
  constexpr Px kRoom = 12;
  const Project& p = work_.project();
  Screen screen = group->holds;
  screen.id = {"group " + group->id.text};
  if (!screen.items.empty())
    screen.items[0].edit().place = {{Pin::Centre, 0, screen.items[0]->place.x.size, 0},
                                    {Pin::Centre, 0, screen.items[0]->place.y.size, 0}};
  const Layout layout =
      layOut(p, screen, {p.displays.front(), work_.language().id}, work_.measure());
  const Box box = layout.items.empty() ? Box{0, 0, 1, 1} : layout.items[0].box;
  // As large as the group with a little room, in the form of a miniature.
  const Px form = Px(kMiniature.width()) / kMiniature.height();
  const Px width = std::max(box.w + 2 * kRoom, (box.h + 2 * kRoom) * form);
  Display display{{"group"}, {}, width, width / form};
  const auto known = alone_.find(group->id);
  if (known == alone_.end() || !known->second.group.same(group) ||
      !(known->second.display == display))
    alone_.insert_or_assign(group->id, Alone{group, Shared<Screen>(std::move(screen)), display});
  const Alone& alone = alone_.at(group->id);
  ShownScreen out{p, alone.screen->id, {alone.display, work_.language().id}};
  out.project.screens = {alone.screen};
  return out;
}

void Shelf::showMiniatures() {
  const Project& p = work_.project();
  const ShownScreen whole{p, {}, {p.displays.front(), work_.language().id}};
  const auto show = [this](QListWidgetItem* item, const Miniature& wanted) {
    const QImage image = work_.miniatures().get(wanted);
    if (image.isNull() || item->data(Qt::UserRole).toLongLong() == image.cacheKey()) return;
    item->setData(Qt::UserRole, image.cacheKey());
    const QPixmap picture = QPixmap::fromImage(image);
    item->setIcon(iconOf(picture));
  };
  const Miniature like{whole, {}, kMiniature, devicePixelRatioF(), themeOf(this).work};
  for (size_t i = 0; i < p.kinds.size(); ++i) {
    Miniature wanted = like;
    wanted.kind = p.kinds[i]->id;
    show(kinds_->item(static_cast<int>(i)), wanted);
  }
  for (size_t i = 0; i < p.groups.size(); ++i) {
    Miniature wanted = like;
    wanted.shown = shownAlone(p.groups[i]);
    show(kinds_->item(static_cast<int>(p.kinds.size() + i)), wanted);
  }
  for (size_t i = 0; i < p.screens.size(); ++i) {
    Miniature wanted = like;
    wanted.shown.screen = p.screens[i]->id;
    show(screens_->item(static_cast<int>(i)), wanted);
  }
}

}  // namespace bristle
