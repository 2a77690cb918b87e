#include "desktop/findings/finding_picture.h"

#include <QPainter>
#include <cmath>

#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {
constexpr double kRoom = 14;    // px around what is shown
constexpr double kWords = 22;   // px of the words above it
constexpr double kLargest = 2;  // times, of what is looked at closely

// The buttons of a kind look everywhere as in one state.
Project inState(Project project, const KindId& id, const StateId& state) {
  Kind* kind = edit(project, id);
  const Machine* machine = kind ? find(project, kind->machine) : nullptr;
  if (!machine) return project;
  const auto own = kind->departures.find(state);
  const LookValues look = own == kind->departures.end() ? LookValues{} : own->second;
  for (const State& each : machine->states) kind->departures[each.id] = look;
  return project;
}

// What a finding of a screen is about: its item, or the first of its kind there.
std::optional<size_t> itemOf(const Finding& f, const Screen& screen, const Layout& layout) {
  for (size_t i = 0; i < screen.items.size(); ++i) {
    const Item& item = *screen.items[i];
    const bool ofKind = item.button() && item.button()->kind == f.kind && layout.items[i].isSeen();
    if (f.item ? item.id == f.item : ofKind) return i;
  }
  return {};
}
}  // namespace

FindingPicture::FindingPicture(Work& work, QWidget* parent) : QWidget(parent), work_(work) {
  setAttribute(Qt::WA_OpaquePaintEvent);
  setMinimumHeight(140);
  setAccessibleName(tr("Picture of the place"));
  connect(&work, &Work::changed, this, [this] {
    if (!isVisible()) return;  // it is shown anew when it comes into sight
    prepare();
    update();
  });
  connect(&work.miniatures(), &Miniatures::changed, this, [this] { update(); });
}

void FindingPicture::show(const Finding* finding, size_t mend) {
  finding_ = finding ? std::optional(*finding) : std::nullopt;
  mend_ = mend;
  prepare();
  update();
}

// Once, not for each frame: pictures of it are known by what it is made of.
void FindingPicture::prepare() {
  const auto shown = [this](const Project& project) {
    return isClose() ? inState(project, finding_->kind, finding_->state) : project;
  };
  now_ = shown(work_.project());
  mended_.reset();
  if (!finding_ || mend_ >= finding_->mends.size()) return;
  if (const auto mended = finding_->mends[mend_].apply(work_.project())) mended_ = shown(*mended);
}

void FindingPicture::paintEvent(QPaintEvent*) {
  QPainter p(this);
  const Theme& theme = themeOf(this);
  p.fillRect(rect(), theme.work);
  p.setRenderHint(QPainter::Antialiasing);
  QRectF area(rect());
  if (!mended_) return paintIn(p, area, now_, work_.tables(), "");
  // Side by side.
  area.setWidth(std::floor(area.width() / 2));
  p.setPen(theme.onWork);
  const QRectF words(kRoom, 2, area.width() - 2 * kRoom, kWords);
  const auto name = [&](const QRectF& at, const QString& text) {
    p.drawText(at, Qt::AlignLeft | Qt::AlignVCenter,
               fontMetrics().elidedText(text, Qt::ElideRight, int(at.width())));
  };
  name(words, tr("as it is"));
  name(words.translated(area.width(), 0), tr("mended: %1").arg(toQt(finding_->mends[mend_].name)));
  area.setTop(kWords);
  paintIn(p, area, now_, work_.tables(), "");
  paintIn(p, area.translated(area.width(), 0), *mended_, mendedTables_, "mended");
}

void FindingPicture::paintIn(QPainter& p, const QRectF& area, const Project& project,
                             LookTables& tables, const char* as) {
  const Screen* screen = finding_ ? bristle::find(project, finding_->screen) : nullptr;
  const Kind* kind = finding_ ? bristle::find(project, finding_->kind) : nullptr;
  if (finding_ && !kind && finding_->machine)
    for (const auto& each : project.kinds)
      if (each->machine == finding_->machine && !kind) kind = each.operator->();
  p.save();
  p.setClipRect(area);
  if (screen) {
    paintScreen(p, area, project, *screen, as);
  } else if (kind) {
    paintKind(p, area, project, *kind, tables);
  } else {
    p.setPen(themeOf(this).onWork);
    p.drawText(area, Qt::AlignCenter | Qt::TextWordWrap,
               finding_ ? tr("It is about the project as a whole")
                        : tr("Pick a finding to see its place"));
  }
  p.restore();
}

void FindingPicture::paintScreen(QPainter& p, const QRectF& area, const Project& project,
                                 const Screen& screen, const char* as) {
  const Display* display = bristle::find(project, finding_->display);
  if (!display) display = work_.display();
  if (!display) return;
  const ShownScreen shown{
      project, screen.id,
      Showing(*display, finding_->language ? finding_->language : work_.language().id)};
  const auto known = work_.derived().layout(shown);
  const Layout& layout = *known;
  const auto fit = [&](double w, double h) {
    return std::min((area.width() - 2 * kRoom) / w, (area.height() - 2 * kRoom) / h);
  };
  double s = fit(layout.width, layout.height);
  QPointF middle(layout.width / 2, layout.height / 2);
  // A button in its state is looked at closely, in what is around it.
  if (const auto at = isClose() ? itemOf(*finding_, screen, layout) : std::nullopt) {
    const QRectF box = toQt(layout.items[*at].box);
    s = std::clamp(fit(box.width() * 1.6, box.height() * 1.6), s, std::max(s, kLargest));
    middle = box.center();
  }
  const QPointF at((area.center() - middle * s).toPoint());
  // Drawn on a worker.
  const QSizeF size(layout.width * s, layout.height * s);
  const QImage image = work_.miniatures().get({shown,
                                               {},
                                               size.toSize(),
                                               devicePixelRatioF(),
                                               themeOf(this).work,
                                               isClose() ? std::string(as) + " close" : as});
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
  if (finding_->item && !isClose()) mark(finding_->item);
  if (const ItemId other{finding_->detail}; findItem(screen, other)) mark(other);
}

void FindingPicture::paintKind(QPainter& p, const QRectF& area, const Project& project,
                               const Kind& kind, LookTables& tables) {
  const auto table = tables.get(project, kind.id);
  const Machine* machine = bristle::find(project, kind.machine);
  if (!table || !machine) return;
  StateIndex state = 0;
  for (size_t i = 0; i < machine->states.size(); ++i)
    if (machine->states[i].id == finding_->state) state = static_cast<StateIndex>(i);
  const double s = std::min(
      {2.0, (area.width() - 4 * kRoom) / kind.width, (area.height() - 4 * kRoom) / kind.height});
  p.translate(area.center());
  p.scale(s, s);
  work_.looks().paint(p, kind, *table, table->state(state),
                      QRectF(-kind.width / 2, -kind.height / 2, kind.width, kind.height),
                      kind.sampleCaption);
}

}  // namespace bristle
