#include "paint/screen_painter.h"

#include "paint/screen_parts.h"
#include "runtime/machine/condition.h"
#include "runtime/machine/opening.h"

namespace bristle {
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
    paintOverBelow(painter, screen_, layout_, 1, kPanesWithin, {});
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
    // As keys are: nobody has used a device yet.
    const Prompting prompting(looks_, project_, screen_, button, Device::Keyboard);
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

}  // namespace bristle
