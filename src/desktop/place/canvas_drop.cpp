// What is dragged onto the canvas from the shelf or from the desktop.
#include <QDragEnterEvent>
#include <QDropEvent>
#include <QMimeData>
#include <QUrl>

#include "desktop/place/canvas.h"
#include "desktop/place/drop_mark.h"
#include "desktop/place/placing.h"
#include "desktop/view/kind_mime.h"
#include "desktop/work/work.h"

namespace bristle {
namespace {

QStringList filesIn(const QMimeData* mime) {
  QStringList out;
  for (const QUrl& url : mime->urls())
    if (url.isLocalFile()) out << url.toLocalFile();
  return out;
}

}  // namespace

void Canvas::dragEnterEvent(QDragEnterEvent* event) {
  const QMimeData* mime = event->mimeData();
  const bool ours =
      work().screen() && (!kindsIn(mime).empty() || groupIn(mime) || !filesIn(mime).isEmpty());
  ours ? event->acceptProposedAction() : event->ignore();
}

void Canvas::dragMoveEvent(QDragMoveEvent* event) {
  const QPointF at = toScreen(event->position());
  const auto kinds = kindsIn(event->mimeData());
  dropMark_.reset();
  if (!kinds.empty()) dropMark_ = placingAt(work(), kinds, at).spot;
  if (groupIn(event->mimeData()))
    dropMark_ = dropSpotAt(*work().screen(), work().layout(), at.x(), at.y());
  event->acceptProposedAction();
  update();
}

void Canvas::dragLeaveEvent(QDragLeaveEvent*) {
  dropMark_.reset();
  update();
}

void Canvas::dropEvent(QDropEvent* event) {
  dropMark_.reset();
  const QPointF at = toScreen(event->position());
  const auto kinds = kindsIn(event->mimeData());
  if (const GroupId group = groupIn(event->mimeData()))
    placeGroupAt(work(), group, at);
  else
    kinds.empty() ? placePictures(work(), filesIn(event->mimeData()), at)
                  : placeKinds(work(), kinds, at);
  event->acceptProposedAction();
  setFocus();
  update();
}

}  // namespace bristle
