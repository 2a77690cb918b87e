#include "desktop/route/cluster_form.h"

#include <algorithm>

#include "core/edit/cluster_edits.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

constexpr Px kRing = 3;  // the width that a single stop is given

QString exitName(Dir dir) {
  const QString names[] = {QObject::tr("Exit up"), QObject::tr("Exit down"),
                           QObject::tr("Exit left"), QObject::tr("Exit right")};
  return names[size_t(dir)];
}

}  // namespace

ClusterForm::ClusterForm(Work& work) : work_(work) {
  head_ = heading(tr("CLUSTERS"));
  which_ = choice(tr("Cluster"), {}, [this](int i) {
    const Screen* screen = work_.screen();
    const bool is = screen && i > 0 && size_t(i) <= screen->clusters.size();
    show(is ? screen->clusters[size_t(i) - 1].id : ClusterId{});
  });
  name_ = text(tr("Cluster name"), [this](const QString& name) {
    if (name.trimmed().isEmpty()) return false;
    change("rename a cluster", [name = fromQt(name.trimmed())](Cluster& c) { c.name = name; });
    return true;
  });
  enter_ =
      choice(tr("Focus enters"),
             {tr("at the first"), tr("at the nearest"), tr("at the last used"), tr("at a button")},
             [this](int i) {
               const Cluster* cluster = now();
               if (!cluster) return;
               const auto in = members(*cluster);
               change("enter a cluster otherwise", [=](Cluster& c) {
                 c.enter = static_cast<Enter>(i);
                 if (c.enter == Enter::Chosen && !c.chosen && !in.empty()) c.chosen = in[0];
               });
             });
  chosen_ = choice(tr("Entry button"), {}, [this](int i) {
    const Cluster* cluster = now();
    if (!cluster) return;
    const auto in = members(*cluster);
    if (size_t(i) < in.size())
      change("enter a cluster otherwise", [=](Cluster& c) { c.chosen = in[size_t(i)]; });
  });
  leave_ = choice(tr("Focus leaves"),
                  {tr("anywhere"), tr("at its ends"), tr("by cancel only"), tr("as one stop")},
                  [this](int i) {
                    change("leave a cluster otherwise", [=](Cluster& c) {
                      c.leave = static_cast<Leave>(i);
                      // Else nobody sees that it is the stop that has focus, and not its button.
                      if (c.leave == Leave::SingleStop && c.ring.width == 0) c.ring.width = kRing;
                    });
                  });
  leave_->setToolTip(tr(
      "At its ends: where nothing of it lies further that way. As one stop: directions pass it in "
      "one step, accept goes in, cancel comes out."));
  buildRing();
  for (const Dir dir : kDirs)
    exits_[size_t(dir)] = choice(exitName(dir), {}, [this, dir](int i) { setExit(dir, i); });
  remove_ = button(tr("Take the cluster away"), [this] { removeShown(); });
  ofPicked_ = button(tr("Make a cluster of the picked"), [this] { makeOfPicked(); });
  ofHolder_ = button(tr("Make a cluster of its container"), [this] { makeOfHolder(); });
}

void ClusterForm::buildRing() {
  const auto length = [this](const QString& name, double most, Px FocusRing::*which) {
    return number(
        name, 0, most,
        [=, this](double v) {
          change("change a ring", [=](Cluster& c) { c.ring.*which = v; });
          return true;
        },
        QStringLiteral("px"));
  };
  ring_ = length(tr("Focus ring"), 40, &FocusRing::width);
  ring_->setToolTip(
      tr("Around its buttons: of one stop until focus goes into it, of others while "
         "focus is in them. 0: none"));
  outset_ = length(tr("Ring outset"), 200, &FocusRing::outset);
  radius_ = length(tr("Ring corners"), 2000, &FocusRing::radius);
  colour_ = text(tr("Ring colour"), [this](const QString& text) {
    const auto colour = parseColour(fromQt(text.trimmed()));
    if (!colour) {
      work_.tell(tr("expected a colour such as #f2c14e"), true);
      return false;
    }
    change("change a ring", [=](Cluster& c) { c.ring.colour = *colour; });
    return true;
  });
}

const Cluster* ClusterForm::now() const {
  if (const Screen* screen = work_.screen())
    for (const Cluster& cluster : screen->clusters)
      if (cluster.id == shown_) return &cluster;
  return nullptr;
}

void ClusterForm::show(const ClusterId& cluster) {
  shown_ = cluster;
  refresh();
}

void ClusterForm::make(std::vector<ItemId> items) {
  if (!work_.screen() || !work_.perform(addCluster(work_.screen()->id, std::move(items)))) return;
  show(work_.screen()->clusters.back().id);
  name_->setFocus();
  name_->selectAll();
}

void ClusterForm::makeOfPicked() {
  make(work_.picked().items);
}

void ClusterForm::makeOfHolder() {
  if (!work_.item() || !work_.item()->parent)
    return work_.tell(tr("Pick a button that is in a row, column, grid, ring or group"), true);
  make({work_.item()->parent});
}

void ClusterForm::removeShown() {
  if (!now()) return work_.tell(tr("Pick a cluster, or a button in one"), true);
  work_.perform(removeCluster(work_.screen()->id, shown_));
}

void ClusterForm::change(const char* name, std::function<void(Cluster&)> apply) {
  if (now()) work_.perform(changeCluster(work_.screen()->id, shown_, name, std::move(apply)));
}

// As laid out, closed, to another cluster, to a button.
void ClusterForm::setExit(Dir dir, int index) {
  const Screen* screen = work_.screen();
  const Cluster* cluster = now();
  if (!cluster) return;
  RouteRule rule;
  if (index == 1) rule.type = RouteType::Closed;
  std::vector<RouteTarget> targets;
  for (const Cluster& each : screen->clusters)
    if (each.id != shown_) targets.emplace_back(each.id);
  for (const int item : work_.routes().items) targets.emplace_back(screen->items[size_t(item)]->id);
  if (index >= 2 && size_t(index - 2) < targets.size())
    rule = {RouteType::Pinned, targets[size_t(index - 2)]};
  change("set an exit", [=](Cluster& c) { c.exits[size_t(dir)] = rule; });
}

std::vector<ItemId> ClusterForm::members(const Cluster& cluster) const {
  std::vector<ItemId> out;
  const Screen& screen = *work_.screen();
  const ScreenRoutes& routes = work_.routes();
  for (size_t c = 0; c < routes.clusters.size() && c < screen.clusters.size(); ++c)
    if (screen.clusters[c].id == cluster.id)
      for (const int box : routes.clusters[c].boxes)
        out.push_back(screen.items[size_t(routes.items[size_t(box)])]->id);
  return out;
}

void ClusterForm::refreshFields(const Cluster* cluster) {
  setRowVisible(name_, cluster);
  for (QComboBox* each : {enter_, leave_}) setRowVisible(each, cluster);
  setRowVisible(ring_, cluster);
  for (QLineEdit* each : {outset_, radius_, colour_})
    setRowVisible(each, cluster && cluster->ring.width > 0);
  setRowVisible(chosen_, cluster && cluster->enter == Enter::Chosen);
  const bool leaves = cluster && cluster->leave != Leave::Sealed;
  for (QComboBox* each : exits_) setRowVisible(each, leaves);
  remove_->setVisible(cluster);
  if (!cluster) return;
  const Screen& screen = *work_.screen();
  const auto nameOf = [&](const ItemId& id) {
    const Item* item = findItem(screen, id);
    return item ? toQt(displayName(*item)) : tr("something that is gone");
  };
  refill(name_, toQt(cluster->name));
  refill(enter_, static_cast<int>(cluster->enter));
  refill(ring_, QString::number(cluster->ring.width));
  refill(outset_, QString::number(cluster->ring.outset));
  refill(radius_, QString::number(cluster->ring.radius));
  refill(colour_, toQt(toHex(cluster->ring.colour)));
  refill(leave_, static_cast<int>(cluster->leave));
  QStringList names;
  int at = -1;
  for (const ItemId& id : members(*cluster)) {
    if (cluster->chosen == ItemPath(id)) at = static_cast<int>(names.size());
    names << nameOf(id);
  }
  refill(chosen_, names, at);
  QStringList exits{tr("as laid out"), tr("closed")};
  std::vector<RouteTarget> targets;
  for (const Cluster& each : screen.clusters) {
    if (each.id == cluster->id) continue;
    targets.emplace_back(each.id);
    exits << tr("to cluster %1").arg(toQt(each.name));
  }
  for (const int item : work_.routes().items) {
    targets.emplace_back(screen.items[size_t(item)]->id);
    exits << tr("to %1").arg(nameOf(screen.items[size_t(item)]->id));
  }
  for (const Dir dir : kDirs) {
    const RouteRule& rule = cluster->exits[size_t(dir)];
    int index = rule.type == RouteType::Closed ? 1 : 0;
    if (rule.type == RouteType::Pinned) {
      const auto found = std::find(targets.begin(), targets.end(), rule.target);
      index = found == targets.end() ? -1 : static_cast<int>(found - targets.begin()) + 2;
    }
    refill(exits_[size_t(dir)], exits, index);
  }
}

// What is picked brings its innermost cluster.
void ClusterForm::refresh() {
  const Screen* screen = work_.screen();
  const int box = work_.pickedBox();
  const ItemId picked = box >= 0 ? work_.item()->id : ItemId{};
  if (picked != pickedBefore_ && box >= 0 && size_t(box) < work_.routes().clustersOf.size()) {
    const auto& around = work_.routes().clustersOf[size_t(box)];
    shown_ = around.empty() ? ClusterId{} : screen->clusters[size_t(around.front())].id;
  }
  pickedBefore_ = picked;
  const Cluster* cluster = now();
  if (!cluster) shown_ = {};
  QStringList names{tr("none")};
  int at = 0;
  if (screen)
    for (const Cluster& each : screen->clusters) {
      names << toQt(each.name);
      if (each.id == shown_) at = static_cast<int>(names.size()) - 1;
    }
  setRowVisible(which_, names.size() > 1);
  refill(which_, names, at);
  ofPicked_->setEnabled(!work_.picked().items.empty());
  ofHolder_->setVisible(work_.item() && work_.item()->parent);
  refreshFields(cluster);
  Q_EMIT shown(shown_);
}

}  // namespace bristle
