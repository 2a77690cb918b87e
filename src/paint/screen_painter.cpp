#include "paint/screen_painter.h"

#include "paint/blur.h"
#include "paint/convert.h"
#include "runtime/machine/condition.h"
#include "runtime/machine/opening.h"
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

// Draws buttons as the screen reads, for as long as it lives.
class Reading {
 public:
  Reading(LookPainter& looks, bool rightToLeft) : looks_(looks), before_(looks.mirrored()) {
    looks.setMirrored(rightToLeft);
  }
  ~Reading() { looks_.setMirrored(before_); }
  Reading(const Reading&) = delete;
  Reading& operator=(const Reading&) = delete;

 private:
  LookPainter& looks_;
  bool before_;
};

// What is neither button nor container.
void paintDecor(QPainter& painter, LookPainter& looks, const Item& item, const QRectF& box) {
  if (const auto* panel = std::get_if<PanelData>(&item.what)) {
    painter.setPen(Qt::NoPen);
    painter.setBrush(brushOf(panel->fill, box));
    painter.drawRoundedRect(box, panel->radius, panel->radius);
  } else if (const auto* picture = std::get_if<PictureData>(&item.what)) {
    looks.pictures().draw(painter, box, lookOf(*picture, looks.mirrored()));
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

namespace {

// Panels that blur what blurs in turn: each more would cost twice as much.
constexpr int kPanesWithin = 2;

// Where a panel lies, in layout px, as it is seen.
QPainterPath outlineOf(const PanelData& panel, const Placed& item) {
  QPainterPath out;
  out.addRoundedRect(toQt(item.box), panel.radius * item.scale, panel.radius * item.scale);
  return out;
}

// What is neither button nor container, over what lies below it.
void paintDecor(QPainter& painter, LookPainter& looks, const Item& item, const Layout& layout,
                const Placed& placed, int depth, const PaintsBelow& below) {
  const auto* panel = std::get_if<PanelData>(&item.what);
  if (panel && panel->blur > 0 && depth < kPanesWithin)
    paintBlurred(painter, outlineOf(*panel, placed), panel->blur * placed.scale,
                 QRectF(0, 0, layout.width, layout.height), below);
  const Scaled scaled(painter, placed);
  paintDecor(painter, looks, item, toQt(placed.own()));
}

// A screen at rest, part by part.
class AtRest {
 public:
  AtRest(LookPainter& looks, LookTables& tables, const Project& project, const Screen& screen,
         const Layout& layout)
      : looks_(looks), tables_(tables), project_(project), screen_(screen), layout_(layout) {}

  // The first `end` items, as far as they lie in what is wanted. What is not seen costs nothing:
  // there may be thousands of it.
  void paint(QPainter& painter, size_t end, const QRectF& wanted, const QRegion& parts, int depth) {
    painter.setRenderHint(QPainter::Antialiasing);
    paintBackdrop(painter, screen_, layout_);
    const Reading reading(looks_, layout_.rightToLeft);
    const auto isIn = [&](const QRectF& box) {
      return box.intersects(wanted) && (parts.isEmpty() || parts.intersects(box.toAlignedRect()));
    };
    Clipping clip(painter);
    for (size_t i = 0; i < end; ++i) {
      const Item& item = *screen_.items[i];
      const Placed& placed = layout_.items[i];
      if (!clip.goTo(layout_, placed)) continue;
      if (const ButtonData* button = item.button())
        paintButton(painter, *button, placed, isIn);
      else if (isIn(toQt(placed.box)))
        paintDecor(painter, looks_, item, layout_, placed, depth,
                   [&](QPainter& p, const QRectF& part) { paint(p, i, part, {}, depth + 1); });
    }
  }

 private:
  template <class IsIn>
  void paintButton(QPainter& painter, const ButtonData& button, const Placed& placed,
                   const IsIn& isIn) {
    const QRectF all = toQt(placed.box);
    const auto table = tables_.get(project_, button.kind, &button.own);
    if (!table)
      return looks_.pictures().drawMissing(painter, all, "kind missing: " + button.kind.text);
    const Kind& kind = *find(project_, button.kind);
    if (!isIn(all)) {
      const auto [at, first] = reaches_.try_emplace(table, 0.0);
      if (first) at->second = LookPainter::reach(kind, *table);
      const double by = at->second * placed.scale;
      if (!isIn(all.adjusted(-by, -by, by, by))) return;
    }
    const Machine& machine = *find(project_, kind.machine);
    const StateIndex state = openingOf(machine, startsEnabled(project_, button),
                                       startsCurrent(project_, button, screen_.id));
    const Scaled scaled(painter, placed);
    looks_.paint(painter, kind, *table, table->state(state), toQt(placed.own()),
                 wordsIn(project_, button.caption, layout_.language));
  }

  // Worked out once for each machine: there may be thousands of buttons.
  StateIndex openingOf(const Machine& machine, bool enabled, bool current) {
    const auto [at, first] = openings_.try_emplace({&machine, enabled, current}, StateIndex{0});
    if (first) at->second = openingState(project_, machine, enabled, current);
    return at->second;
  }

  LookPainter& looks_;
  LookTables& tables_;
  const Project& project_;
  const Screen& screen_;
  const Layout& layout_;
  std::map<std::shared_ptr<const LookTable>, double> reaches_;
  std::map<std::tuple<const Machine*, bool, bool>, StateIndex> openings_;
};

}  // namespace

void paintScreen(QPainter& painter, LookPainter& looks, LookTables& tables, const Project& project,
                 const Screen& screen, const Layout& layout, const QRectF& only,
                 const QRegion& parts) {
  const QRectF wanted = only.isNull() ? QRectF(0, 0, layout.width, layout.height) : only;
  AtRest(looks, tables, project, screen, layout)
      .paint(painter, screen.items.size(), wanted, parts, 0);
}

QRectF extentOf(const ScreenRun& screen, size_t button) {
  const ButtonRun& run = screen.buttons[button];
  const Placed& item = screen.layout.items[size_t(screen.routes.items[button])];
  const double reach = LookPainter::reach(*run.kind->kind, run.player.table()) * item.scale;
  return toQt(item.box).adjusted(-reach, -reach, reach, reach);
}

namespace {

// A running menu, part by part.
class AsItRuns {
 public:
  AsItRuns(LookPainter& looks, Session& session)
      : looks_(looks), session_(session), runs_(session.seen()) {}

  // The first `end` of its screens.
  void paint(QPainter& painter, size_t end, const QRectF& only, int depth) {
    for (size_t s = 0; s < end; ++s) {
      const double presence = runs_[s]->life.presence(session_.now());
      if (presence >= 1)
        paintRun(painter, s, runs_[s]->screen->items.size(), only, depth);
      else if (presence > 0)
        paintFaded(painter, s, only, presence, depth);
    }
  }
  void paintAll(QPainter& painter, const QRectF& only) { paint(painter, runs_.size(), only, 0); }

 private:
  // The first `end` items of the s-th screen; above all of them the rings of its clusters.
  void paintRun(QPainter& painter, size_t s, size_t end, const QRectF& only, int depth) {
    ScreenRun& run = *runs_[s];
    painter.setRenderHint(QPainter::Antialiasing);
    paintBackdrop(painter, *run.screen, run.layout);
    paintItems(painter, s, end, only, depth);
    if (end == run.screen->items.size() && session_.focusShown()) paintRings(painter, run);
  }

  void paintItems(QPainter& painter, size_t s, size_t end, const QRectF& only, int depth) {
    ScreenRun& run = *runs_[s];
    const Reading reading(looks_, run.layout.rightToLeft);
    Clipping clip(painter);
    for (size_t i = 0; i < end; ++i) {
      const Placed& placed = run.layout.items[i];
      if (!clip.goTo(run.layout, placed)) continue;
      if (const int index = run.routes.boxOf[i]; index >= 0)
        paintButton(painter, run, size_t(index), placed, only);
      else
        paintStill(painter, s, i, only, depth);
    }
  }

  // Its middle line lies on the box.
  static void paintRings(QPainter& painter, const ScreenRun& run) {
    painter.save();
    painter.setBrush(Qt::NoBrush);
    for (const auto& [box, ring] : run.rings()) {
      painter.setPen(QPen(toQt(ring.colour), ring.width));
      painter.drawRoundedRect(toQt(box), ring.radius, ring.radius);
    }
    painter.restore();
  }

  void paintButton(QPainter& painter, ScreenRun& run, size_t index, const Placed& placed,
                   const QRectF& only) {
    if (!only.isNull() && !only.intersects(extentOf(run, index))) return;
    ButtonRun& button = run.buttons[index];
    const Scaled scaled(painter, placed);
    looks_.paintState(
        painter, *button.kind->kind, button.player.table(), button.player.state(),
        button.player.at(session_.now()), toQt(placed.own()),
        wordsIn(session_.project(), button.item->button()->caption, run.layout.language),
        button.player.since(session_.now()));
  }

  // What has no machine that runs.
  void paintStill(QPainter& painter, size_t s, size_t i, const QRectF& only, int depth) {
    ScreenRun& run = *runs_[s];
    const Item& item = *run.screen->items[i];
    const Placed& placed = run.layout.items[i];
    if (const auto still = run.still.find(i); still != run.still.end()) {
      const Scaled scaled(painter, placed);
      return looks_.paint(painter, *find(session_.project(), item.button()->kind), *still->second,
                          still->second->state(0), toQt(placed.own()),
                          wordsIn(session_.project(), item.button()->caption, run.layout.language));
    }
    if (!only.isNull() && !only.intersects(toQt(placed.box))) return;
    paintDecor(painter, looks_, item, run.layout, placed, depth,
               [&](QPainter& p, const QRectF& part) {
                 paint(p, s, part, depth + 1);
                 paintRun(p, s, i, part, depth + 1);
               });
  }

  // As one picture, so that what lies on one another fades together.
  void paintFaded(QPainter& painter, size_t s, const QRectF& only, double presence, int depth) {
    const ScreenRun& run = *runs_[s];
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
    paintRun(onLayer, s, run.screen->items.size(), only, depth);
    onLayer.end();
    painter.save();
    painter.resetTransform();
    painter.setOpacity(presence);
    painter.drawImage(seen.topLeft(), layer);
    painter.restore();
  }

  LookPainter& looks_;
  Session& session_;
  std::vector<ScreenRun*> runs_;
};

}  // namespace

void paintSession(QPainter& painter, LookPainter& looks, Session& session, const QRectF& only) {
  AsItRuns(looks, session).paintAll(painter, only);
}

}  // namespace bristle
