#include "desktop/frame/recovery_page.h"

#include "desktop/frame/autosave.h"
#include "desktop/frame/files.h"
#include "desktop/view/counted.h"
#include "desktop/work/work.h"

#include <QDateTime>
#include <QFileInfo>
#include <QLabel>
#include <QLocale>
#include <QPainter>
#include <QPushButton>

#include "core/formats/project_store.h"
#include "desktop/work/theme.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr QSize kPicture(440, 260);

QString inWords(const QDateTime& when) {
  const qint64 minutes = when.secsTo(QDateTime::currentDateTime()) / 60;
  const QString clock = QLocale().toString(when, QLocale::ShortFormat);
  if (minutes < 1) return QObject::tr("%1, just now").arg(clock);
  if (minutes < 120)
    return counted(minutes, QObject::tr("%1, %n minute ago"), QObject::tr("%1, %n minutes ago"))
        .arg(clock);
  return clock;
}

// The first screen, or the first kind where there is none yet.
QPixmap pictureOf(const Project& project, const QString& folder, const FontMeasure& measure,
                  double ratio, const Theme& theme) {
  QPixmap out(kPicture * ratio);
  out.setDevicePixelRatio(ratio);
  out.fill(theme.work);
  QPainter p(&out);
  const Screen* screen = find(project, project.first);
  if (!screen && !project.screens.empty()) screen = &*project.screens.front();
  if (!screen) {
    p.setPen(theme.onWork);
    p.drawText(QRect(QPoint(), kPicture), Qt::AlignCenter, QObject::tr("no screens yet"));
    return out;
  }
  const Display& display = project.displays.front();
  const Layout layout = layOut(project, *screen, display, measure);
  const double zoom = std::min(kPicture.width() / layout.width, kPicture.height() / layout.height);
  p.translate((kPicture.width() - layout.width * zoom) / 2,
              (kPicture.height() - layout.height * zoom) / 2);
  p.scale(zoom, zoom);
  p.setClipRect(QRectF(0, 0, layout.width, layout.height));
  LookPainter looks;
  looks.pictures().setFolder(folder);
  LookTables tables;
  paintScreen(p, looks, tables, project, *screen, layout);
  return out;
}

}  // namespace

RecoveryPage::RecoveryPage(Work& work, Autosave& autosave, Files& files, QWidget* parent)
    : QWidget(parent), work_(work), autosave_(autosave), files_(files) {
  setAccessibleName(tr("Unsaved work"));
  column_ = new QVBoxLayout(this);
  column_->setContentsMargins(24, 24, 24, 24);
}

bool RecoveryPage::showNext() {
  left_ = autosave_.left();
  delete std::exchange(body_, nullptr);
  if (left_.empty()) return false;
  show(left_.front());
  return true;
}

QWidget* RecoveryPage::version(const QString& title, const QString& when, const Project& project,
                               const QString& folder, const QString& choice, bool main,
                               std::function<void()> chosen) {
  auto* box = new QWidget;
  auto* column = new QVBoxLayout(box);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  auto* name = new QLabel(title);
  name->setProperty("title", true);
  auto* time = new QLabel(when);
  time->setProperty("quiet", true);
  auto* picture = new QLabel;
  picture->setPixmap(
      pictureOf(project, folder, work_.measure(), devicePixelRatioF(), themeOf(this)));
  picture->setAccessibleName(tr("Picture: %1").arg(title));
  auto* button = new QPushButton(choice);
  button->setAutoDefault(true);
  button->setProperty("main", main);
  button->setAccessibleName(choice);
  if (main) setFocusProxy(button);
  connect(button, &QPushButton::clicked, this, std::move(chosen));
  for (QWidget* part : std::initializer_list<QWidget*>{name, time, picture})
    column->addWidget(part);
  column->addWidget(button, 0, Qt::AlignLeft);
  column->addStretch();
  return box;
}

void RecoveryPage::show(const LeftBehind& left) {
  body_ = new QWidget;
  auto* column = new QVBoxLayout(body_);
  column->setSpacing(16);
  const QString path = toQt(left.head.path);
  const QString folder = path.isEmpty() ? QString() : QFileInfo(path).absolutePath();
  auto* about = new QLabel(
      tr("“%1” was not saved when Bristle ended. Which version do you want to go on with?")
          .arg(toQt(left.project.name)));
  about->setProperty("title", true);
  about->setWordWrap(true);
  auto* where = new QLabel(path.isEmpty() ? tr("It has no file yet.") : path);
  where->setProperty("quiet", true);
  column->addWidget(about);
  column->addWidget(where);
  auto* both = new QHBoxLayout;
  both->setSpacing(32);
  both->addWidget(version(tr("Not saved"), inWords(QDateTime::fromMSecsSinceEpoch(left.head.at)),
                          left.project, folder, tr("Go on with this version"), true, [this] {
                            LeftBehind chosen = left_.front();
                            autosave_.goOn(std::move(chosen));
                            work_.tell(
                                tr("This is the version that was not saved; save it to keep it."));
                            Q_EMIT done();
                          }));
  const auto saved =
      path.isEmpty() ? Result<StoredProject>(fail({}, "none")) : loadProject(left.head.path);
  if (saved) {
    const QDateTime when = QFileInfo(path).lastModified();
    both->addWidget(version(tr("Saved"), inWords(when), saved->opened.project, folder,
                            tr("Open the saved one, throw the other away"), false, [this, path] {
                              Autosave::throwAway(left_.front());
                              if (!showNext()) {
                                files_.open(path);
                                Q_EMIT done();
                              }
                            }));
  }
  both->addStretch();
  column->addLayout(both);
  auto* others = new QHBoxLayout;
  const auto button = [&](const QString& name, auto run) {
    auto* made = new QPushButton(name);
    made->setAutoDefault(true);
    made->setAccessibleName(name);
    connect(made, &QPushButton::clicked, this, run);
    others->addWidget(made);
  };
  button(tr("Decide later"), [this] { Q_EMIT done(); });
  if (!saved)
    button(tr("Throw it away"), [this] {
      Autosave::throwAway(left_.front());
      if (!showNext()) Q_EMIT done();
    });
  others->addStretch();
  if (left_.size() > 1)
    others->addWidget(new QLabel(tr("%1 more left unsaved").arg(left_.size() - 1)));
  column->addLayout(others);
  column->addStretch();
  column_->addWidget(body_, 1);
}

}  // namespace bristle
