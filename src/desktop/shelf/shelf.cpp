#include "desktop/shelf/shelf.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QToolButton>
#include <QVBoxLayout>

#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "desktop/work/theme.h"
#include "paint/convert.h"

namespace bristle {
namespace {
constexpr QSize kMiniature(64, 38);
constexpr int kFirst = 120;  // ms after a change, or after the start, until miniatures are drawn
constexpr int kNext = 5;     // ms between one and the next, so that input comes in between
}  // namespace

Shelf::Shelf(Work& work, QWidget* parent) : QWidget(parent), work_(work) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(8, 8, 8, 8);
  column->setSpacing(4);
  kinds_ = list(tr("Kinds"), tr("New kind"), [this] {
    if (work_.perform(addKind("Menu entry", Wins::Hover)))
      work_.pickKind(work_.project().kinds.back()->id);
  });
  screens_ = list(tr("Screens"), tr("New screen"), [this] {
    if (work_.perform(addScreen("Screen"))) work_.pickScreen(work_.project().screens.back()->id);
  });
  connect(kinds_, &QListWidget::currentRowChanged, this, [this](int row) {
    if (!filling_ && row >= 0) work_.pickKind(work_.project().kinds[size_t(row)]->id);
  });
  connect(screens_, &QListWidget::currentRowChanged, this, [this](int row) {
    if (!filling_ && row >= 0) work_.pickScreen(work_.project().screens[size_t(row)]->id);
  });
  soon_.setSingleShot(true);
  soon_.setInterval(kFirst);
  connect(&soon_, &QTimer::timeout, this, &Shelf::drawMiniatures);
  connect(&work, &Work::changed, this, [this](const Change& change) {
    // Screens show kinds, so a change of these changes both.
    if (change.kinds || change.machines) shownScreens_.clear();
    refresh();
  });
  connect(&work, &Work::pickedChanged, this, &Shelf::refresh);
  refresh();
}

QListWidget* Shelf::list(const QString& name, const QString& add, std::function<void()> make) {
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
  auto* out = new QListWidget;
  out->setAccessibleName(name);
  out->setIconSize(kMiniature);
  out->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  out->setWordWrap(true);
  static_cast<QVBoxLayout*>(layout())->addWidget(out, 1);
  return out;
}

QPixmap Shelf::miniature(const Kind& kind) {
  const double ratio = devicePixelRatioF();
  QPixmap out(kMiniature * ratio);
  out.setDevicePixelRatio(ratio);
  out.fill(theme().work);
  const auto table = work_.tables().get(work_.project(), kind.id);
  if (!table) return out;
  QPainter p(&out);
  const double s = std::min(
      {1.0, (kMiniature.width() - 10) / kind.width, (kMiniature.height() - 10) / kind.height});
  p.translate(kMiniature.width() / 2.0, kMiniature.height() / 2.0);
  p.scale(s, s);
  work_.looks().paint(p, kind, *table, table->state(0),
                      QRectF(-kind.width / 2, -kind.height / 2, kind.width, kind.height),
                      kind.sampleCaption);
  return out;
}

QPixmap Shelf::miniature(const Screen& screen) {
  const double ratio = devicePixelRatioF();
  QPixmap out(kMiniature * ratio);
  out.setDevicePixelRatio(ratio);
  out.fill(theme().work);
  QPainter p(&out);
  const Display& d = work_.project().displays.front();
  const double s =
      std::min(kMiniature.width() / d.layoutWidth(), kMiniature.height() / d.layoutHeight());
  p.scale(s, s);
  paintScreen(p, work_.looks(), work_.tables(), work_.project(), screen,
              layOut(work_.project(), screen, {d, work_.language().id}, work_.measure()));
  return out;
}

void Shelf::fill(QListWidget* list, int count, int picked,
                 const std::function<void(int, QListWidgetItem&)>& show) {
  while (list->count() > count) delete list->takeItem(list->count() - 1);
  while (list->count() < count) {
    QPixmap blank(kMiniature);
    blank.fill(theme().work);
    list->addItem(new QListWidgetItem(QIcon(blank), QString()));
  }
  for (int i = 0; i < count; ++i) show(i, *list->item(i));
  list->setCurrentRow(picked);
}

void Shelf::refresh() {
  filling_ = true;
  const Project& p = work_.project();
  int kind = -1, screen = -1;
  for (size_t i = 0; i < p.kinds.size(); ++i)
    if (p.kinds[i]->id == work_.picked().kind) kind = static_cast<int>(i);
  for (size_t i = 0; i < p.screens.size(); ++i)
    if (p.screens[i]->id == work_.picked().screen) screen = static_cast<int>(i);
  fill(kinds_, static_cast<int>(p.kinds.size()), kind,
       [&](int i, QListWidgetItem& item) { item.setText(toQt(p.kinds[size_t(i)]->name)); });
  fill(screens_, static_cast<int>(p.screens.size()), screen, [&](int i, QListWidgetItem& item) {
    const Screen& s = *p.screens[size_t(i)];
    item.setText(s.id == p.first ? tr("%1\nopens first").arg(toQt(s.name)) : toQt(s.name));
  });
  filling_ = false;
  if (!soon_.isActive()) soon_.start(kFirst);
}

// One at a time: pictures may have to be loaded for it.
void Shelf::drawMiniatures() {
  const Project& p = work_.project();
  const auto drawOne = [&](const auto& parts, auto& shown, QListWidget* list) {
    shown.resize(parts.size());
    for (size_t i = 0; i < parts.size(); ++i) {
      if (shown[i] && shown[i]->same(parts[i])) continue;
      shown[i] = parts[i];
      // The picked one is not tinted: it shows the thing itself.
      const QPixmap picture = miniature(*parts[i]);
      QIcon icon(picture);
      icon.addPixmap(picture, QIcon::Selected);
      list->item(static_cast<int>(i))->setIcon(icon);
      return true;
    }
    return false;
  };
  if (drawOne(p.kinds, shownKinds_, kinds_) || drawOne(p.screens, shownScreens_, screens_))
    soon_.start(kNext);
}

}  // namespace bristle
