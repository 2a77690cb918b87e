#include "desktop/shape/cut_page.h"

#include <QCheckBox>
#include <QFileDialog>
#include <QFileInfo>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

CutView::CutView(QWidget* parent) : QWidget(parent) {
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("Flat picture with the marked buttons"));
  setCursor(Qt::CrossCursor);
}

void CutView::show(const QImage& picture) {
  picture_ = picture;
  update();
}

void CutView::setMarks(std::vector<Mark> marks, int picked) {
  marks_ = std::move(marks);
  picked_ = picked;
  update();
}

double CutView::zoom() const {
  if (picture_.isNull()) return 1;
  return std::min({1.0, double(width()) / picture_.width(), double(height()) / picture_.height()});
}

QPointF CutView::origin() const {
  return {(width() - picture_.width() * zoom()) / 2, (height() - picture_.height() * zoom()) / 2};
}

QPointF CutView::toWidget(const QPointF& p) const {
  return origin() + p * zoom();
}
QPointF CutView::toPicture(const QPointF& w) const {
  return (w - origin()) / zoom();
}

void CutView::paintEvent(QPaintEvent*) {
  QPainter p(this);
  const Theme& t = themeOf(this);
  p.fillRect(rect(), t.work);
  if (picture_.isNull()) {
    p.setPen(t.onWork);
    p.drawText(rect(), Qt::AlignCenter | Qt::TextWordWrap,
               tr("Open one flat picture for each state, all of one size."));
    return;
  }
  p.setRenderHint(QPainter::SmoothPixmapTransform);
  p.drawImage(QRectF(toWidget({0, 0}), QSizeF(picture_.size()) * zoom()), picture_);
  const auto frame = [&](const QRect& r, const QColor& colour, const QString& name) {
    const QRectF at(toWidget(r.topLeft()), toWidget(QPointF(r.right() + 1, r.bottom() + 1)));
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(Qt::white, 3));
    p.drawRect(at);
    p.setPen(QPen(colour, 1.5));
    p.drawRect(at);
    if (name.isEmpty()) return;
    const QRectF tag(at.x(), at.y() - 17, p.fontMetrics().horizontalAdvance(name) + 10, 16);
    p.fillRect(tag, colour);
    p.setPen(t.onAccent);
    p.drawText(tag, Qt::AlignCenter, name);
  };
  for (size_t i = 0; i < marks_.size(); ++i)
    frame(marks_[i].rect, int(i) == picked_ ? t.pinned : t.accent, marks_[i].name);
  if (from_) frame(drawing_, t.pinned, {});
}

void CutView::mousePressEvent(QMouseEvent* event) {
  if (picture_.isNull() || event->button() != Qt::LeftButton) return;
  from_ = toPicture(event->position());
  drawing_ = {};
}

void CutView::mouseMoveEvent(QMouseEvent* event) {
  if (!from_) return;
  drawing_ = QRectF(*from_, toPicture(event->position())).normalized().toAlignedRect();
  update();
}

void CutView::mouseReleaseEvent(QMouseEvent* event) {
  if (!from_) return;
  const QPointF at = *from_;
  from_.reset();
  update();
  if (drawing_.width() >= 6 && drawing_.height() >= 6) {
    Q_EMIT drawn(drawing_.intersected(picture_.rect()));
    return;
  }
  for (size_t i = marks_.size(); i-- > 0;)
    if (marks_[i].rect.contains(at.toPoint())) {
      Q_EMIT pickedAt(int(i));
      return;
    }
  Q_UNUSED(event);
}

void CutView::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Delete) {
    Q_EMIT removed();
    return;
  }
  // Without a mouse: Enter marks a first rectangle in the middle, arrows bring it where it belongs.
  if ((event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) && !picture_.isNull()) {
    QRect middle(0, 0, picture_.width() / 5, picture_.height() / 8);
    middle.moveCenter(picture_.rect().center());
    Q_EMIT drawn(middle);
    return;
  }
  if (picked_ < 0) return QWidget::keyPressEvent(event);
  QPoint by;
  if (event->key() == Qt::Key_Left) by = {-1, 0};
  if (event->key() == Qt::Key_Right) by = {1, 0};
  if (event->key() == Qt::Key_Up) by = {0, -1};
  if (event->key() == Qt::Key_Down) by = {0, 1};
  if (by.isNull()) return QWidget::keyPressEvent(event);
  if (event->modifiers() & Qt::ControlModifier) by *= 10;
  QRect rect = marks_[size_t(picked_)].rect;
  if (event->modifiers() & Qt::ShiftModifier)
    rect.setBottomRight(rect.bottomRight() + by);
  else
    rect.translate(by);
  if (rect.isValid() && picture_.rect().contains(rect)) Q_EMIT moved(rect);
}

CutPage::CutPage(Work& work, QWidget* parent)
    : Page(tr("Cut buttons from flat art"), tr("Drag a rectangle around each button, and name it."),
           parent),
      work_(work) {
  auto* open = button(tr("Open pictures…"));
  sheet_ = new QComboBox;
  sheet_->setAccessibleName(tr("Shown state"));
  snap_ = new QCheckBox(tr("Snap to edges in the picture"));
  snap_->setAccessibleName(snap_->text());
  snap_->setChecked(true);
  height_ = new QComboBox;
  height_->setAccessibleName(tr("Height of the marks"));
  height_->addItems({tr("as drawn"), tr("tight around what is there"), tr("full height")});
  row({open, sheet_, snap_, height_});
  auto* columns = new QHBoxLayout;
  view_ = new CutView(this);
  columns->addWidget(view_, 1);
  list_ = new QListWidget;
  list_->setAccessibleName(tr("Marked buttons"));
  list_->setFixedWidth(150);
  list_->setEditTriggers(QAbstractItemView::AllEditTriggers);
  columns->addWidget(list_);
  body()->addLayout(columns, 1);
  told_ = new QLabel;
  told_->setWordWrap(true);
  told_->setProperty("wrong", true);
  body()->addWidget(told_);
  remove_ = button(tr("Remove the mark"));
  make_ = button(tr("Make the buttons"));
  make_->setProperty("main", true);
  row({make_, remove_});
  connect(open, &QPushButton::clicked, this, [this] {
    const auto paths =
        QFileDialog::getOpenFileNames(this, tr("One picture for each state"), work_.folder(),
                                      tr("Pictures (*.png *.jpg *.jpeg *.webp *.svg)"));
    if (!paths.isEmpty()) openSheets(paths);
  });
  connect(sheet_, &QComboBox::currentIndexChanged, this, [this](int i) {
    int at = 0;
    for (const auto& entry : sheets_.pictures)
      if (at++ == i) view_->show(entry.second);
  });
  connect(view_, &CutView::drawn, this, &CutPage::add);
  connect(view_, &CutView::pickedAt, this, [this](int i) {
    picked_ = i;
    refresh();
  });
  connect(view_, &CutView::moved, this, [this](const QRect& rect) {
    marks_[size_t(picked_)].rect = rect;
    refresh();
  });
  const auto drop = [this] {
    if (picked_ < 0) return;
    marks_.erase(marks_.begin() + picked_);
    picked_ = std::min(picked_, int(marks_.size()) - 1);
    refresh();
  };
  connect(view_, &CutView::removed, this, drop);
  connect(remove_, &QPushButton::clicked, this, drop);
  connect(make_, &QPushButton::clicked, this, &CutPage::make);
  connect(list_, &QListWidget::currentRowChanged, this, [this](int row) {
    if (filling_ || row < 0) return;
    picked_ = row;
    view_->setMarks(marks_, picked_);
  });
  connect(list_, &QListWidget::itemChanged, this, [this](QListWidgetItem* item) {
    if (filling_) return;
    marks_[size_t(list_->row(item))].name = item->text().trimmed();
    view_->setMarks(marks_, picked_);
  });
  refresh();
}

bool CutPage::openSheets(const QStringList& paths) {
  auto read = readSheets(paths);
  told_->setText(read ? QString() : toQt(read.error().text()));
  told_->setVisible(!read);
  if (!read) return false;
  sheets_ = std::move(*read);
  name_ = QFileInfo(paths.front()).completeBaseName();
  marks_.clear();
  picked_ = -1;
  sheet_->clear();
  for (const auto& entry : sheets_.pictures)
    sheet_->addItem(toQt(std::string(nameOf(entry.first))));
  view_->show(sheets_.pictures.begin()->second);
  refresh();
  return true;
}

void CutPage::add(const QRect& drawn) {
  QRect rect = drawn;
  if (snap_->isChecked()) rect = snappedToEdges(sheets_.rest(), rect);
  if (height_->currentIndex() == 1) rect = tightened(sheets_.rest(), rect);
  if (height_->currentIndex() == 2) {
    rect.setTop(0);
    rect.setBottom(sheets_.rest().height() - 1);
  }
  marks_.push_back({rect, tr("Button %1").arg(marks_.size() + 1)});
  picked_ = int(marks_.size()) - 1;
  refresh();
}

void CutPage::refresh() {
  filling_ = true;
  list_->clear();
  for (const Mark& mark : marks_) {
    auto* item = new QListWidgetItem(mark.name, list_);
    item->setFlags(item->flags() | Qt::ItemIsEditable);
    item->setToolTip(tr("%1 × %2 px").arg(mark.rect.width()).arg(mark.rect.height()));
  }
  list_->setCurrentRow(picked_);
  filling_ = false;
  view_->setMarks(marks_, picked_);
  make_->setEnabled(!marks_.empty());
  remove_->setEnabled(picked_ >= 0);
  sheet_->setEnabled(sheet_->count() > 0);
}

void CutPage::make() {
  const auto cut = cutOut(sheets_, marks_, work_.folder(), name_,
                          work_.display() ? work_.display()->layoutWidth() : 1920);
  told_->setText(cut ? QString() : toQt(cut.error().text()));
  told_->setVisible(!cut);
  if (!cut) return;
  work_.filesChanged();
  const size_t kinds = work_.project().kinds.size();
  if (!work_.perform(placeCut(fromQt(name_), cut->background, cut->buttons))) return;
  work_.pickKind(work_.project().kinds[kinds]->id);
  work_.pickScreen(work_.project().screens.back()->id);
  work_.tell(tr("%1 buttons made, on the screen “%2”").arg(cut->buttons.size()).arg(name_));
  Q_EMIT done();
}

}  // namespace bristle
