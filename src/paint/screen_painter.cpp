#include "paint/screen_painter.h"

#include "paint/convert.h"
#include "runtime/machine/condition.h"
#include "runtime/session/session.h"

namespace bristle {
namespace {

void paintBackdrop(QPainter& painter, const Screen& screen, const Layout& layout) {
  const QRectF all(0, 0, layout.width, layout.height);
  if (screen.dimBelow > 0) painter.fillRect(all, QColor(0, 0, 0, int(screen.dimBelow * 255)));
  if (screen.backdrop.type != FillType::None) painter.fillRect(all, brushOf(screen.backdrop, all));
}

// Larger by the item's scale, about the corner of its box, for as long as it lives.
class Scaled {
 public:
  Scaled(QPainter& painter, const Placed& item) : painter_(painter), on_(item.scale != 1) {
    if (!on_) return;
    painter_.save();
    painter_.translate(item.box.x, item.box.y);
    painter_.scale(item.scale, item.scale);
    painter_.translate(-item.box.x, -item.box.y);
  }
  ~Scaled() {
    if (on_) painter_.restore();
  }
  Scaled(const Scaled&) = delete;
  Scaled& operator=(const Scaled&) = delete;

 private:
  QPainter& painter_;
  bool on_;
};

// What is neither button nor container.
void paintDecor(QPainter& painter, LookPainter& looks, const Item& item, const QRectF& box) {
  if (const auto* panel = std::get_if<PanelData>(&item.what)) {
    painter.setPen(Qt::NoPen);
    painter.setBrush(brushOf(panel->fill, box));
    painter.drawRoundedRect(box, panel->radius, panel->radius);
  } else if (const auto* picture = std::get_if<PictureData>(&item.what)) {
    PictureLook look;
    look.file = picture->file;
    look.fit = "cover";
    looks.pictures().draw(painter, box, look);
  }
}

// Keeps the painter to what containers that clip leave of the item at hand.
class Clipping {
 public:
  explicit Clipping(QPainter& painter) : painter_(painter) {}
  ~Clipping() { turnTo(-1, {}); }
  Clipping(const Clipping&) = delete;
  Clipping& operator=(const Clipping&) = delete;
  // False where nothing of it is to be painted.
  bool goTo(const Layout& layout, const Placed& item) {
    if (!item.isSeen()) return false;
    if (item.clip != now_) turnTo(item.clip, layout);
    return item.clip < 0 || !toQt(layout.clips[size_t(item.clip)]).isEmpty();
  }

 private:
  void turnTo(int clip, const Layout& layout) {
    if (now_ >= 0) painter_.restore();
    now_ = clip;
    if (clip < 0) return;
    painter_.save();
    painter_.setClipRect(toQt(layout.clips[size_t(clip)]), Qt::IntersectClip);
  }

  QPainter& painter_;
  int now_ = -1;
};

}  // namespace

std::shared_ptr<const LookTable> LookTables::get(const Project& project, const KindId& id,
                                                 const OwnLook* own) {
  const Shared<Kind>* kind = nullptr;
  for (const auto& k : project.kinds)
    if (k->id == id) kind = &k;
  if (!kind) return nullptr;
  const Shared<Machine>* machine = nullptr;
  for (const auto& m : project.machines)
    if (m->id == (*kind)->machine) machine = &m;
  if (!machine || (*machine)->states.empty()) return nullptr;
  Entry& entry = tables_[id];
  const Naming names = naming(project);
  if (!entry.table || !entry.kind.same(*kind) || !entry.machine.same(*machine) ||
      !entry.named.same(project.named) || entry.dark != names.dark) {
    entry = {*kind,
             *machine,
             project.named,
             names.dark,
             std::make_shared<LookTable>(**kind, **machine, names),
             {}};
  }
  if (!own || own->empty()) return entry.table;
  const auto at = std::find_if(entry.owned.begin(), entry.owned.end(),
                               [&](const auto& each) { return each.first == *own; });
  if (at != entry.owned.end()) {
    entry.owned.splice(entry.owned.begin(), entry.owned, at);
    return entry.owned.front().second;
  }
  // The one that was used the longest ago goes.
  if (entry.owned.size() >= kMostOwned) entry.owned.pop_back();
  entry.owned.emplace_front(*own, std::make_shared<LookTable>(**kind, **machine, names, own));
  return entry.owned.front().second;
}

void paintScreen(QPainter& painter, LookPainter& looks, LookTables& tables, const Project& project,
                 const Screen& screen, const Layout& layout, const QRectF& only,
                 const QRegion& parts) {
  painter.setRenderHint(QPainter::Antialiasing);
  paintBackdrop(painter, screen, layout);
  const QRectF wanted = only.isNull() ? QRectF(0, 0, layout.width, layout.height) : only;
  std::map<std::shared_ptr<const LookTable>, double> reaches;
  const auto isIn = [&](const QRectF& box) {
    return box.intersects(wanted) && (parts.isEmpty() || parts.intersects(box.toAlignedRect()));
  };
  // What is not seen costs nothing: there may be thousands of it.
  const auto isSeen = [&](const Kind& kind, const std::shared_ptr<const LookTable>& table,
                          const QRectF& box, double scale) {
    if (isIn(box)) return true;
    const auto [at, first] = reaches.try_emplace(table, 0.0);
    if (first) at->second = LookPainter::reach(kind, *table);
    const double by = at->second * scale;
    return isIn(box.adjusted(-by, -by, by, by));
  };
  Clipping clip(painter);
  for (size_t i = 0; i < screen.items.size(); ++i) {
    const Item& item = *screen.items[i];
    if (!clip.goTo(layout, layout.items[i])) continue;
    const QRectF all = toQt(layout.items[i].box), box = toQt(layout.items[i].own());
    const ButtonData* button = item.button();
    if (!button) {
      const Scaled scaled(painter, layout.items[i]);
      if (isIn(all)) paintDecor(painter, looks, item, box);
      continue;
    }
    const auto table = tables.get(project, button->kind, &button->own);
    if (!table) {
      looks.pictures().drawMissing(painter, all, "kind missing: " + button->kind.text);
      continue;
    }
    const Kind& kind = *find(project, button->kind);
    if (!isSeen(kind, table, all, layout.items[i].scale)) continue;
    const Machine& machine = *find(project, kind.machine);
    StateIndex state = 0;
    if (!startsEnabled(project, *button))
      for (size_t s = 0; s < machine.states.size(); ++s)
        if (machine.states[s].role == Role::Disabled) state = static_cast<StateIndex>(s);
    const Scaled scaled(painter, layout.items[i]);
    looks.paint(painter, kind, *table, table->state(state), box,
                wordsIn(project, button->caption, layout.language));
  }
}

QRectF extentOf(const ScreenRun& screen, size_t button) {
  const ButtonRun& run = screen.buttons[button];
  const Placed& item = screen.layout.items[size_t(screen.routes.items[button])];
  const double reach = LookPainter::reach(*run.kind->kind, run.player.table()) * item.scale;
  return toQt(item.box).adjusted(-reach, -reach, reach, reach);
}

namespace {

void paintRun(QPainter& painter, LookPainter& looks, const Session& session, ScreenRun& run,
              const QRectF& only) {
  painter.setRenderHint(QPainter::Antialiasing);
  paintBackdrop(painter, *run.screen, run.layout);
  Clipping clip(painter);
  for (size_t i = 0; i < run.screen->items.size(); ++i) {
    const Item& item = *run.screen->items[i];
    if (!clip.goTo(run.layout, run.layout.items[i])) continue;
    const Placed& placed = run.layout.items[i];
    const QRectF box = toQt(placed.own());
    const int index = run.routes.boxOf[i];
    if (index < 0) {
      const Scaled scaled(painter, placed);
      const auto still = run.still.find(i);
      if (still != run.still.end())
        looks.paint(painter, *find(session.project(), item.button()->kind), *still->second,
                    still->second->state(0), box,
                    wordsIn(session.project(), item.button()->caption, run.layout.language));
      else if (only.isNull() || only.intersects(toQt(placed.box)))
        paintDecor(painter, looks, item, box);
      continue;
    }
    if (!only.isNull() && !only.intersects(extentOf(run, size_t(index)))) continue;
    ButtonRun& button = run.buttons[size_t(index)];
    const Scaled scaled(painter, placed);
    looks.paintState(painter, *button.kind->kind, button.player.table(), button.player.state(),
                     button.player.at(session.now()), box,
                     wordsIn(session.project(), item.button()->caption, run.layout.language),
                     button.player.since(session.now()));
  }
}

// As one picture, so that what lies on one another fades together.
void paintFaded(QPainter& painter, LookPainter& looks, const Session& session, ScreenRun& run,
                const QRectF& only, double presence) {
  const QRectF all(0, 0, run.layout.width, run.layout.height);
  const QTransform& at = painter.transform();
  const QRect seen = at.mapRect(only.isNull() ? all : all & only).toAlignedRect();
  if (seen.isEmpty()) return;
  const double ratio = painter.device()->devicePixelRatioF();
  QImage layer((QSizeF(seen.size()) * ratio).toSize(), QImage::Format_ARGB32_Premultiplied);
  layer.setDevicePixelRatio(ratio);
  layer.fill(Qt::transparent);
  QPainter onLayer(&layer);
  onLayer.setTransform(at * QTransform::fromTranslate(-seen.x(), -seen.y()));
  onLayer.setClipRect(all);
  paintRun(onLayer, looks, session, run, only);
  onLayer.end();
  painter.save();
  painter.resetTransform();
  painter.setOpacity(presence);
  painter.drawImage(seen.topLeft(), layer);
  painter.restore();
}

}  // namespace

void paintSession(QPainter& painter, LookPainter& looks, Session& session, const QRectF& only) {
  for (ScreenRun* run : session.seen()) {
    const double presence = run->life.presence(session.now());
    if (presence >= 1)
      paintRun(painter, looks, session, *run, only);
    else if (presence > 0)
      paintFaded(painter, looks, session, *run, only, presence);
  }
}

}  // namespace bristle
