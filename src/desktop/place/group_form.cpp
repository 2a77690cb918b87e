#include "desktop/place/group_form.h"

#include <QListWidget>
#include <QSignalBlocker>

#include <map>

#include "core/arrange/place_at.h"
#include "core/edit/group_edits.h"
#include "core/edit/screen_edits.h"
#include "desktop/place/reuse.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

int copiesOf(const Project& project, const GroupId& group) {
  int out = 0;
  for (const auto& screen : project.screens)
    for (const auto& item : screen->items)
      out += item->container() && item->container()->group == group;
  return out;
}

}  // namespace

GroupForm::GroupForm(Work& work) : work_(work) {
  buildGroup();
  buildFlyOut();
  buildBar();
}

const Group* GroupForm::group() const {
  return groupOfPicked(work_);
}

void GroupForm::buildGroup() {
  groupHead_ = heading(tr("REUSABLE GROUP"));
  groupNote_ = note({});
  make_ = button(tr("Make it reusable"), [this] { makeReusable(work_); });
  make_->setToolTip(tr("Place it many times; what is changed in one copy changes in all"));
  name_ = text(tr("Group name"), [this](const QString& typed) {
    return group() && work_.perform(changeGroup(group()->id, "rename group", [typed](Group& g) {
      g.name = fromQt(typed.trimmed());
    }));
  });
  captions_ = check(tr("Each copy has its own captions"),
                    [this](bool on) { setOwn(&Group::ownCaptions, on); });
  targets_ = check(tr("Each copy has its own actions"),
                   [this](bool on) { setOwn(&Group::ownTargets, on); });
  exits_ =
      check(tr("Each copy has its own routes"), [this](bool on) { setOwn(&Group::ownExits, on); });
  another_ = button(tr("Place another copy"), [this] { placeAnotherCopy(work_); });
  letGo_ = button(tr("Let go of its group"), [this] { letGoOfGroup(work_); });
  letGo_->setToolTip(tr("It stays as it is, and changes in other copies no longer reach it"));
}

void GroupForm::setOwn(bool Group::*which, bool on) {
  if (group())
    work_.perform(changeGroup(group()->id, "change what copies have of their own",
                              [=](Group& g) { g.*which = on; }));
}

bool GroupForm::changeContainer(const char* name, std::function<void(ContainerData&)> apply) {
  return work_.screen() && work_.perform(changeItems(work_.screen()->id, work_.picked().items, name,
                                                     {}, [apply = std::move(apply)](Item& item) {
                                                       if (auto* box = item.container())
                                                         apply(*box);
                                                     }));
}

void GroupForm::flyFrom(const ItemId& from) {
  const Screen* screen = work_.screen();
  if (!screen) return;
  std::map<ItemId, Place> landed;
  for (size_t i = 0; i < screen->items.size(); ++i)
    if (work_.isPicked(screen->items[i]->id) && screen->items[i]->container())
      landed[screen->items[i]->id] = placeLanded(*screen, work_.layout(), i);
  const bristle::Side side = sideFlying(*screen, from);
  work_.perform(changeItems(screen->id, work_.picked().items,
                            from ? "make a fly-out" : "make no fly-out", {}, [=](Item& item) {
                              ContainerData* box = item.container();
                              if (!box) return;
                              if (from && !box->flyOut.from) {
                                item.place = placeFlying(item.place);
                                box->flyOut.side = side;
                              }
                              if (!from && box->flyOut.from) item.place = landed.at(item.id);
                              box->flyOut.from = from;
                            }));
}

void GroupForm::buildFlyOut() {
  flyHead_ = heading(tr("FLY-OUT"));
  from_ = choice(tr("Flies out from"), {}, [this](int i) {
    flyFrom(i > 0 && size_t(i) <= buttons_.size() ? buttons_[size_t(i) - 1] : ItemId{});
  });
  from_->setToolTip(tr("The button that it opens beside; it is seen only while it is open"));
  side_ = choice(tr("Opens"), {tr("below"), tr("above"), tr("at the right"), tr("at the left")},
                 [this](int i) {
                   changeContainer("change side", [=](ContainerData& c) {
                     c.flyOut.side = static_cast<bristle::Side>(i);
                   });
                 });
  side_->setToolTip(tr("Where there is room; else on the other side"));
  const auto opens = [this](const QString& name, bool FlyOut::*which) {
    return check(name, [=, this](bool on) {
      changeContainer("change what opens it", [=](ContainerData& c) { c.flyOut.*which = on; });
    });
  };
  hover_ = opens(tr("Opened by pointing at the button"), &FlyOut::byHover);
  focus_ = opens(tr("Opened by focus on the button"), &FlyOut::byFocus);
  accept_ = opens(tr("Opened by the first accept"), &FlyOut::byAccept);
  accept_->setToolTip(tr("The next one does what the button does"));
}

void GroupForm::buildBar() {
  barHead_ = heading(tr("BAR OF SCREENS"));
  makeBar_ = button(tr("Make a button for each screen"), [this] {
    std::vector<ScreenId> all;
    for (const auto& screen : work_.project().screens) all.push_back(screen->id);
    if (work_.item())
      work_.perform(makeBar(work_.screen()->id, work_.item()->id, all,
                            work_.kind() ? work_.kind()->id : KindId{}));
  });
  makeBar_->setToolTip(tr("The bar then keeps in step with the list of screens"));
  list_ = choice(tr("In step with"), {}, [this](int i) {
    const auto& lists = work_.project().lists;
    const ListId list = i > 0 && size_t(i) <= lists.size() ? lists[size_t(i) - 1].id : ListId{};
    if (work_.item())
      work_.perform(followList(work_.screen()->id, work_.item()->id, list,
                               work_.kind() ? work_.kind()->id : KindId{}));
  });
  screens_ = new QListWidget;
  screens_->setAccessibleName(tr("Screens of the bar"));
  screens_->setDragDropMode(QAbstractItemView::InternalMove);
  screens_->setToolTip(tr("Tick the screens that it leads to; drag them into order"));
  screens_->setFixedHeight(132);
  wide(screens_);
  connect(screens_, &QListWidget::itemChanged, this, [this] { listChanged(); });
  connect(screens_->model(), &QAbstractItemModel::rowsMoved, this, [this] { listChanged(); });
}

void GroupForm::listChanged() {
  const auto* box = work_.item() ? work_.item()->container() : nullptr;
  if (!box || !bristle::find(work_.project(), box->bar)) return;
  std::vector<ScreenId> wanted;
  for (int i = 0; i < screens_->count(); ++i) {
    const QListWidgetItem* entry = screens_->item(i);
    if (entry->checkState() == Qt::Checked)
      wanted.push_back({fromQt(entry->data(Qt::UserRole).toString())});
  }
  work_.perform(changeList(box->bar, "change screens of the bar",
                           [=](ScreenList& list) { list.screens = wanted; }));
}

void GroupForm::refreshGroup(const Item& item) {
  const Group* of = group();
  const Item* copy = copyAround(*work_.screen(), item);
  const bool itself = copy == &item;
  groupHead_->setVisible(of || item.container());
  make_->setVisible(!of && item.container());
  groupNote_->setVisible(of);
  setRowVisible(name_, of && itself);
  for (QWidget* each :
       std::initializer_list<QWidget*>{captions_, targets_, exits_, another_, letGo_})
    each->setVisible(of && itself);
  if (!of) return;
  const int copies = copiesOf(work_.project(), of->id);
  const QString placed =
      copies == 1 ? tr("One copy is placed.") : tr("%1 copies are placed.").arg(copies);
  groupNote_->setText(
      itself ? placed
             : tr("Part of “%1”: what is changed here changes in all its copies, but for what each "
                  "has of its own. %2")
                   .arg(toQt(of->name), placed));
  refill(name_, toQt(of->name));
  refill(captions_, of->ownCaptions);
  refill(targets_, of->ownTargets);
  refill(exits_, of->ownExits);
}

void GroupForm::refreshFlyOut(const Item& item) {
  const ContainerData* box = item.container();
  const bool can = box && !item.parent;
  flyHead_->setVisible(can);
  setRowVisible(from_, can);
  const bool is = can && box->flyOut.from;
  setRowVisible(side_, is);
  for (QWidget* each : {hover_, focus_, accept_}) each->setVisible(is);
  if (!can) return;
  const Screen& screen = *work_.screen();
  const auto nesting = nestingOf(screen);
  const size_t self = *indexOf(screen, item.id);
  QStringList names{tr("nothing")};
  int at = 0;
  buttons_.clear();
  for (size_t i = 0; i < screen.items.size(); ++i) {
    if (!screen.items[i]->button() || (i > self && i < nesting[self].end)) continue;
    buttons_.push_back(screen.items[i]->id);
    names << toQt(displayName(*screen.items[i]));
    if (screen.items[i]->id == box->flyOut.from) at = int(names.size()) - 1;
  }
  refill(from_, names, at);
  refill(side_, static_cast<int>(box->flyOut.side));
  refill(hover_, box->flyOut.byHover);
  refill(focus_, box->flyOut.byFocus);
  refill(accept_, box->flyOut.byAccept);
}

void GroupForm::refreshBar(const Item& item) {
  const ContainerData* box = item.container();
  barHead_->setVisible(box);
  const ScreenList* list = box ? bristle::find(work_.project(), box->bar) : nullptr;
  const auto& lists = work_.project().lists;
  makeBar_->setVisible(box && !list);
  setRowVisible(list_, box && !lists.empty());
  screens_->setVisible(list);
  QStringList names{tr("no list")};
  int at = 0;
  for (const ScreenList& each : lists) {
    names << toQt(each.name);
    if (&each == list) at = int(names.size()) - 1;
  }
  refill(list_, names, at);
  if (!list) return;
  // Those of the list in its order, then the others.
  std::vector<const Screen*> order;
  for (const ScreenId& id : list->screens)
    if (const Screen* screen = bristle::find(work_.project(), id)) order.push_back(screen);
  const size_t ticked = order.size();
  for (const auto& screen : work_.project().screens)
    if (std::find(list->screens.begin(), list->screens.end(), screen->id) == list->screens.end())
      order.push_back(&*screen);
  const QSignalBlocker quiet(screens_);  // not its model: what is shown follows that
  const int row = screens_->currentRow();
  while (screens_->count() > int(order.size())) delete screens_->takeItem(screens_->count() - 1);
  while (screens_->count() < int(order.size())) screens_->addItem(QString());
  for (size_t i = 0; i < order.size(); ++i) {
    QListWidgetItem* entry = screens_->item(int(i));
    entry->setText(toQt(order[i]->name));
    entry->setData(Qt::UserRole, toQt(order[i]->id.text));
    entry->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsUserCheckable |
                    Qt::ItemIsDragEnabled);
    entry->setCheckState(i < ticked ? Qt::Checked : Qt::Unchecked);
  }
  screens_->setCurrentRow(row);
  screens_->viewport()->update();
}

void GroupForm::refresh() {
  const Item* item = work_.item();
  if (!item) return;
  refreshGroup(*item);
  refreshFlyOut(*item);
  refreshBar(*item);
  setVisible(item->container() || group());
}

}  // namespace bristle
