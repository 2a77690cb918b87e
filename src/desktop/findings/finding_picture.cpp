#include "desktop/findings/finding_picture.h"

#include <QPainter>
#include <cmath>

#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {
constexpr double kRoom = 14;  // px around what is shown
}

FindingPicture::FindingPicture(Work& work, QWidget* parent) : QWidget(parent), work_(work) {
  setAttribute(Qt::WA_OpaquePaintEvent);
  setMinimumHeight(140);
  setAccessibleName(tr("Picture of the place"));
  connect(&work, &Work::changed, this, [this] { update(); });
  connect(&work.miniatures(), &Miniatures::changed, this, [this] { update(); });
}

void FindingPicture::show(const Finding* finding) {
  finding_ = finding ? std::optional(*finding) : std::nullopt;
  update();
}

void FindingPicture::paintEvent(QPaintEvent*) {
  QPainter p(this);
  const Theme& theme = themeOf(this);
  p.fillRect(rect(), theme.work);
  p.setRenderHint(QPainter::Antialiasing);
  const Project& project = work_.project();
  const Screen* screen = finding_ ? bristle::find(project, finding_->screen) : nullptr;
  const Kind* kind = finding_ ? bristle::find(project, finding_->kind) : nullptr;
  if (finding_ && !kind && finding_->machine)
    for (const auto& each : project.kinds)
      if (each->machine == finding_->machine && !kind) kind = each.operator->();
  if (screen) return paintScreen(p, *screen);
  if (kind) return paintKind(p, *kind);
  p.setPen(theme.onWork);
  p.drawText(
      rect(), Qt::AlignCenter,
      finding_ ? tr("It is about the project as a whole") : tr("Pick a finding to see its place"));
}

void FindingPicture::paintScreen(QPainter& p, const Screen& screen) {
  const Project& project = work_.project();
  const Display* display = bristle::find(project, finding_->display);
  if (!display) display = work_.display();
  if (!display) return;
  const ShownScreen shown{
      project, screen.id,
      Showing(*display, finding_->language ? finding_->language : work_.language().id)};
  const auto known = work_.derived().layout(shown);
  const Layout& layout = *known;
  const double s =
      std::min((width() - 2 * kRoom) / layout.width, (height() - 2 * kRoom) / layout.height);
  const QPointF at(std::round((width() - layout.width * s) / 2),
                   std::round((height() - layout.height * s) / 2));
  // Drawn on a worker.
  const QSizeF size(layout.width * s, layout.height * s);
  const QImage image =
      work_.miniatures().get({shown, {}, size.toSize(), devicePixelRatioF(), themeOf(this).work});
  if (!image.isNull()) p.drawImage(QRectF(at, size), image);
  const auto mark = [&](const ItemId& id) {
    for (size_t i = 0; i < screen.items.size(); ++i) {
      if (screen.items[i]->id != id) continue;
      const QRectF box = toQt(layout.items[i].box);
      const QRectF r = QRectF(at + box.topLeft() * s, box.size() * s).adjusted(-4, -4, 4, 4);
      p.setBrush(Qt::NoBrush);
      p.setPen(QPen(Qt::white, 5));
      p.drawRoundedRect(r, 4, 4);
      p.setPen(QPen(themeOf(this).wrong, 2.5));
      p.drawRoundedRect(r, 4, 4);
    }
  };
  if (finding_->item) mark(finding_->item);
  if (const ItemId other{finding_->detail}; findItem(screen, other)) mark(other);
}

void FindingPicture::paintKind(QPainter& p, const Kind& kind) {
  const Project& project = work_.project();
  const auto table = work_.tables().get(project, kind.id);
  const Machine* machine = bristle::find(project, kind.machine);
  if (!table || !machine) return;
  StateIndex state = 0;
  for (size_t i = 0; i < machine->states.size(); ++i)
    if (machine->states[i].id == finding_->state) state = static_cast<StateIndex>(i);
  const double s =
      std::min({2.0, (width() - 4 * kRoom) / kind.width, (height() - 4 * kRoom) / kind.height});
  p.translate(width() / 2.0, height() / 2.0);
  p.scale(s, s);
  work_.looks().paint(p, kind, *table, table->state(state),
                      QRectF(-kind.width / 2, -kind.height / 2, kind.width, kind.height),
                      kind.sampleCaption);
}

}  // namespace bristle
