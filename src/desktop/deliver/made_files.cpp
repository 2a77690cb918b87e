#include "desktop/deliver/made_files.h"

#include <QHeaderView>
#include <QLocale>
#include <QSignalBlocker>
#include <QSplitter>
#include <QVBoxLayout>
#include <algorithm>

#include "desktop/derive/hand_over_watch.h"
#include "desktop/work/theme.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr qsizetype kMostText = 20'000;  // letters of a file that are shown

// A document that is no text, in words.
QString aboutPdf(const std::string& bytes) {
  int pages = 0;
  for (size_t at = 0; (at = bytes.find("/Type /Page\n", at)) != std::string::npos; ++at) ++pages;
  return pages == 1
             ? QObject::tr("A PDF document of one page. It can be opened once it is handed over.")
             : QObject::tr("A PDF document of %1 pages. It can be opened once it is handed over.")
                   .arg(pages);
}

bool isIn(const std::vector<std::string>& all, const std::string& path) {
  return std::find(all.begin(), all.end(), path) != all.end();
}

}  // namespace

QString sizeInWords(qint64 bytes) {
  return QLocale(QLocale::English).formattedDataSize(bytes, 1, QLocale::DataSizeTraditionalFormat);
}

MadeFiles::MadeFiles(QWidget* parent) : QWidget(parent) {
  list_ = new QTreeWidget;
  list_->setAccessibleName(tr("Files of the delivery"));
  list_->setHeaderLabels({tr("File"), tr("Size"), tr("What happens to it")});
  list_->setRootIsDecorated(false);
  list_->setUniformRowHeights(true);
  list_->header()->setSectionResizeMode(0, QHeaderView::Stretch);
  list_->header()->setStretchLastSection(false);
  list_->header()->setSectionResizeMode(1, QHeaderView::ResizeToContents);
  list_->header()->setSectionResizeMode(2, QHeaderView::ResizeToContents);
  picture_ = new QLabel;
  picture_->setAlignment(Qt::AlignCenter);
  picture_->setMinimumSize(80, 80);
  picture_->setAccessibleName(tr("The picture in hand"));
  text_ = new QPlainTextEdit;
  text_->setReadOnly(true);
  text_->setLineWrapMode(QPlainTextEdit::NoWrap);
  text_->setAccessibleName(tr("What the file in hand says"));
  text_->setTabChangesFocus(true);
  pages_ = new QStackedWidget;
  pages_->addWidget(picture_);
  pages_->addWidget(text_);
  auto* both = new QSplitter(Qt::Vertical);
  both->setChildrenCollapsible(false);
  both->addWidget(list_);
  both->addWidget(pages_);
  both->setSizes({300, 320});
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->addWidget(both);
  connect(list_, &QTreeWidget::currentItemChanged, this, [this] { look(); });
}

void MadeFiles::show(const MadeDelivery& made) {
  const QString picked = list_->currentItem() ? list_->currentItem()->text(0) : QString();
  {
    const QSignalBlocker quiet(list_);
    list_->clear();
    made_ = &made;
    const auto add = [&](const std::string& path, qint64 size, const QString& what) {
      auto* line =
          new QTreeWidgetItem(list_, {toQt(path), size < 0 ? QString() : sizeInWords(size), what});
      line->setTextAlignment(1, Qt::AlignRight | Qt::AlignVCenter);
      if (toQt(path) == picked) list_->setCurrentItem(line);
    };
    for (const MadeFile& file : made.files)
      add(file.path, qint64(file.bytes.size()),
          isIn(made.would.same, file.path)      ? tr("stays as it is")
          : isIn(made.would.written, file.path) ? tr("is written")
                                                : tr("is in the way"));
    for (const std::string& path : made.would.removed)
      add(path, -1, tr("is removed: no longer made"));
    for (const std::string& path : made.would.left) add(path, -1, tr("stays: somebody changed it"));
    if (!list_->currentItem()) list_->setCurrentItem(list_->topLevelItem(0));
  }
  look();
}

void MadeFiles::pick(const QString& path) {
  const auto found = list_->findItems(path, Qt::MatchExactly);
  if (!found.empty()) list_->setCurrentItem(found.front());
}

void MadeFiles::look() {
  whole_ = {};
  text_->clear();
  const QTreeWidgetItem* line = list_->currentItem();
  if (!made_ || !line) return showPicture();
  const std::string path = fromQt(line->text(0));
  const auto at = std::find_if(made_->files.begin(), made_->files.end(),
                               [&](const MadeFile& file) { return file.path == path; });
  const bool drawn = path.ends_with(".png");
  pages_->setCurrentIndex(drawn ? 0 : 1);
  if (at == made_->files.end()) return;
  const auto size = static_cast<qsizetype>(at->bytes.size());
  if (drawn) {
    whole_.loadFromData(QByteArray::fromRawData(at->bytes.data(), size));
    showPicture();
  } else if (path.ends_with(".pdf")) {
    text_->setPlainText(aboutPdf(at->bytes));
  } else {
    const QString head = QString::fromUtf8(at->bytes.data(), std::min(size, kMostText));
    text_->setPlainText(size > kMostText ? head + tr("\n… and so on") : head);
  }
}

void MadeFiles::resizeEvent(QResizeEvent* event) {
  QWidget::resizeEvent(event);
  showPicture();
}

// As large as it is, or as fits.
void MadeFiles::showPicture() {
  // On the grey that does not tint art.
  const QString ground = QStringLiteral("background: %1").arg(themeOf(this).work.name());
  if (picture_->styleSheet() != ground) picture_->setStyleSheet(ground);
  if (whole_.isNull()) return picture_->clear();
  const QSize room = picture_->size();
  const bool fits = whole_.width() <= room.width() && whole_.height() <= room.height();
  picture_->setPixmap(fits ? whole_
                           : whole_.scaled(room, Qt::KeepAspectRatio, Qt::SmoothTransformation));
}

}  // namespace bristle
