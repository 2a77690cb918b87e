#include "desktop/derive/miniatures.h"

#include <algorithm>

#include "paint/fonts.h"
#include "paint/screen_painter.h"

namespace bristle {
namespace {

constexpr int kDrawAfter = 60;  // ms: a drag makes many changes, of which only some need be seen
constexpr size_t kMostKept = 1000;

// Whether a picture of one serves for the other.
bool serves(const Miniature& a, const Miniature& b) {
  if (a.ratio != b.ratio || a.ground != b.ground || a.kind != b.kind) return false;
  if (!a.kind) return samePicture(a.shown, b.shown);
  const auto part = [](const auto& parts, const auto& id) {
    const auto at =
        std::find_if(parts.begin(), parts.end(), [&](const auto& each) { return each->id == id; });
    return at == parts.end() ? nullptr : &*at;
  };
  const Project &one = a.shown.project, &other = b.shown.project;
  const auto *kind = part(one.kinds, a.kind), *same = part(other.kinds, b.kind);
  if (!kind || !same || !kind->same(*same)) return false;
  const auto *machine = part(one.machines, (*kind)->machine),
             *sameMachine = part(other.machines, (*same)->machine);
  return (!machine || !sameMachine ? machine == sameMachine : machine->same(*sameMachine)) &&
         one.named.same(other.named) && one.settings.darkSet == other.settings.darkSet;
}

}  // namespace

struct Miniatures::Kit {
  LookPainter looks;
  LookTables tables;
  FontMeasure measure;
  QString folder;
  bool stale = false;  // files have changed

  void paintKind(QPainter& p, const Miniature& m) {
    const Kind* kind = find(m.shown.project, m.kind);
    const auto table = tables.get(m.shown.project, m.kind);
    if (!kind || !table) return;
    constexpr int kRoom = 10;
    const double s = std::min(
        {1.0, (m.size.width() - kRoom) / kind->width, (m.size.height() - kRoom) / kind->height});
    p.translate(m.size.width() / 2.0, m.size.height() / 2.0);
    p.scale(s, s);
    looks.paint(p, *kind, *table, table->state(0),
                QRectF(-kind->width / 2, -kind->height / 2, kind->width, kind->height),
                kind->sampleCaption);
  }

  void paintOn(QPainter& p, const Miniature& m) {
    const Screen* screen = m.shown.find();
    if (!screen) return;
    const Layout layout = layOut(m.shown.project, *screen, m.shown.showing, measure);
    const double s = std::min(m.size.width() / layout.width, m.size.height() / layout.height);
    p.scale(s, s);
    paintScreen(p, looks, tables, m.shown.project, *screen, layout);
  }

  QImage draw(const Miniature& m, const QString& where, bool forget) {
    if (where != folder) looks.pictures().setFolder(folder = where);
    if (forget) looks.pictures().forget();
    QImage out(m.size * m.ratio, QImage::Format_ARGB32_Premultiplied);
    out.setDevicePixelRatio(m.ratio);
    out.fill(m.ground);
    QPainter p(&out);
    m.kind ? paintKind(p, m) : paintOn(p, m);
    return out;
  }
};

Miniatures::Miniatures(QObject* parent)
    : QObject(parent),
      kit_(std::make_shared<Kit>()),
      now_{{}, {{{}, {}, Display{}}, {}, {}, 1, {}, {}}},
      drawing_(this, [this](QImage image) {
        ++drawn_;
        Entry& entry = entries_[now_.first];
        entry.image = std::move(image);
        entry.shows = std::move(now_.second);
        const ScreenId of = std::get<ScreenId>(now_.first);
        next();
        Q_EMIT changed(of);
      }) {
  soon_.setSingleShot(true);
  soon_.setInterval(kDrawAfter);
  connect(&soon_, &QTimer::timeout, this, &Miniatures::next);
}

Miniatures::~Miniatures() = default;

void Miniatures::setFolder(const QString& folder) {
  if (folder_ == folder) return;
  folder_ = folder;
  entries_.clear();
}

void Miniatures::forget() {
  kit_->stale = true;
  for (auto& [key, entry] : entries_) entry.shows.reset();
  Q_EMIT changed({});
  Q_EMIT forgotten();
}

bool Miniatures::busy() const {
  return soon_.isActive() || drawing_.busy();
}

QImage Miniatures::get(const Miniature& wanted) {
  const Key key{wanted.shown.screen,
                wanted.kind,
                wanted.shown.showing.display.id,
                wanted.shown.showing.language,
                wanted.size.width(),
                wanted.size.height(),
                wanted.as};
  if (entries_.size() > kMostKept) entries_.clear();
  Entry& entry = entries_[key];
  const bool drawing = drawing_.busy() && now_.first == key && serves(now_.second, wanted);
  if (drawing || (entry.shows && serves(*entry.shows, wanted))) {
    entry.wanted.reset();
  } else {
    entry.wanted = wanted;
    if (!soon_.isActive() && !drawing_.busy()) soon_.start();
  }
  return entry.image;
}

void Miniatures::next() {
  const auto at = std::find_if(entries_.begin(), entries_.end(),
                               [](const auto& entry) { return entry.second.wanted.has_value(); });
  if (drawing_.busy() || at == entries_.end()) return;
  now_ = {at->first, *std::exchange(at->second.wanted, std::nullopt)};
  drawing_.ask([kit = kit_, folder = folder_, wanted = now_.second,
                forget = std::exchange(kit_->stale, false)](const std::atomic<bool>&) {
    return kit->draw(wanted, folder, forget);
  });
}

}  // namespace bristle
