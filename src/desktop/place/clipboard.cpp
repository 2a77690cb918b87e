#include "desktop/place/clipboard.h"

#include <QBuffer>
#include <QClipboard>
#include <QCoreApplication>
#include <QGuiApplication>
#include <QPainter>
#include <QSvgGenerator>
#include <algorithm>
#include <cmath>

#include "core/arrange/align.h"
#include "core/arrange/place_at.h"
#include "core/edit/clip_edits.h"
#include "core/edit/screen_edits.h"
#include "desktop/place/new_items.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/document/tree.h"
#include "runtime/formats/project_file.h"

namespace bristle {
namespace {

constexpr Px kAside = 24;       // how far a copy lies from what it was copied from
constexpr double kMost = 4096;  // px of a side of the picture that other programs get

QString said(const char* text) {
  return QCoreApplication::translate("Clipboard", text);
}
QString itemsType() {
  return QStringLiteral("application/x-bristle-items+json");
}

// The picked items alone, as others see them.
void paint(QPainter& painter, Work& work, Project clip, const QRectF& bounds) {
  Screen& screen = clip.screens.back().edit();
  screen.backdrop = {};
  screen.backdrop.type = FillType::None;
  screen.dimBelow = 0;
  const Layout layout = layOut(clip, screen, work.showing(), work.measure());
  painter.translate(-bounds.topLeft());
  paintScreen(painter, work.looks(), work.tables(), clip, screen, layout, bounds);
}

QByteArray svgOf(Work& work, const Project& clip, const QRectF& bounds) {
  QBuffer buffer;
  buffer.open(QIODevice::WriteOnly);
  QSvgGenerator svg;
  svg.setOutputDevice(&buffer);
  svg.setSize(bounds.size().toSize());
  svg.setViewBox(QRectF(QPointF(0, 0), bounds.size()));
  QPainter painter(&svg);
  paint(painter, work, clip, bounds);
  painter.end();
  return buffer.data();
}

QImage pictureOf(Work& work, const Project& clip, const QRectF& bounds) {
  const double scale = std::min(1.0, kMost / std::max(bounds.width(), bounds.height()));
  QImage out((bounds.size() * scale).toSize().expandedTo({1, 1}),
             QImage::Format_ARGB32_Premultiplied);
  out.fill(Qt::transparent);
  QPainter painter(&out);
  painter.scale(scale, scale);
  paint(painter, work, clip, bounds);
  return out;
}

QString captionsOf(Work& work, const Project& clip) {
  QStringList out;
  for (const auto& item : itemsOf(clip).items)
    if (item->button()) out << toQt(wordsIn(clip, item->button()->caption, work.language().id));
  return out.join(QLatin1Char('\n'));
}

// Whether something free lies exactly there.
bool isTaken(const Screen& screen, const ItemId& holder, const Place& place, Px by) {
  return std::any_of(screen.items.begin(), screen.items.end(), [&](const auto& item) {
    return item->parent == holder && item->place.x.offset == place.x.offset + by &&
           item->place.y.offset == place.y.offset + by;
  });
}

}  // namespace

std::unique_ptr<QMimeData> copied(Work& work) {
  if (!work.screen() || work.picked().items.empty()) return nullptr;
  const Screen& screen = *work.screen();
  Places places;
  std::vector<Box> boxes;
  for (const ItemId& id : outermost(screen, work.picked().items)) {
    const Box& box = work.layout().items[*indexOf(screen, id)].box;
    boxes.push_back(box);
    places.emplace_back(id,
                        placeInside(screen, work.layout(), {}, findItem(screen, id)->place, box));
  }
  if (boxes.empty()) return nullptr;
  const Project clip = clipOf(work.project(), screen, work.picked().items, places);
  const QRectF bounds = toQt(boundsOf(boxes)).adjusted(-8, -8, 8, 8);
  auto out = std::make_unique<QMimeData>();
  out->setData(itemsType(), QByteArray::fromStdString(writeProject(clip)));
  out->setData(QStringLiteral("image/svg+xml"), svgOf(work, clip, bounds));
  out->setImageData(pictureOf(work, clip, bounds));
  if (const QString captions = captionsOf(work, clip); !captions.isEmpty()) out->setText(captions);
  return out;
}

bool copyPicked(Work& work) {
  auto mime = copied(work);
  if (!mime) {
    work.tell(said("Pick something to copy first"), true);
    return false;
  }
  QGuiApplication::clipboard()->setMimeData(mime.release());
  return true;
}

bool cutPicked(Work& work) {
  if (!copyPicked(work)) return false;
  Edit edit = removeItems(work.screen()->id, work.picked().items);
  edit.name = "cut";
  return work.perform(edit);
}

bool pasteInto(Work& work, const QMimeData* mime) {
  if (!work.screen()) return false;
  if (!mime || !mime->hasFormat(itemsType())) {
    work.tell(said("Nothing that can be pasted here is on the clipboard"), true);
    return false;
  }
  const auto clip = parseProject(mime->data(itemsType()).toStdString());
  if (!clip || clip->project.screens.empty() || itemsOf(clip->project).items.empty()) {
    work.tell(said("What is on the clipboard cannot be read: %1")
                  .arg(clip ? said("there is nothing in it") : toQt(clip.error().text())),
              true);
    return false;
  }
  Spot to;
  if (work.item() && work.item()->container()) to.holder = work.item()->id;
  Px by = 0;
  const Place& first = itemsOf(clip->project).items.front()->place;
  while (isTaken(*work.screen(), to.holder, first, by)) by += kAside;
  return performAndPickNew(
      work, pasteClip(Shared<Project>(clip->project), work.screen()->id, to, by, by));
}

}  // namespace bristle
