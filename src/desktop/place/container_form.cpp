#include "desktop/place/container_form.h"

#include <map>

#include "core/arrange/place_at.h"
#include "core/edit/screen_edits.h"
#include "desktop/work/work.h"

namespace bristle {

ContainerForm::ContainerForm(Work& work) : work_(work) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->addWidget(form_ = new Form);
  form_->layout()->setContentsMargins(16, 4, 16, 4);
  buildOrder();
  buildGrid();
  buildRing();
  buildScrolling();
  clips_ = form_->check(tr("Cuts off what reaches beyond it"), [this](bool on) {
    change(on ? "cut off what reaches beyond" : "let content reach beyond",
           [on](ContainerData& c) { c.clips = on; });
  });
  panels_ = form_->check(tr("Shows one of what is in it at a time"), [this](bool on) {
    change(on ? "show one at a time" : "show all", [on](ContainerData& c) { c.panels = on; });
  });
  panels_->setToolTip(
      tr("A set of panels: at first the first that is not hidden; a button’s action "
         "shows another"));
}

bool ContainerForm::change(const char* name, std::function<void(ContainerData&)> apply) {
  if (!work_.screen()) return false;
  return work_.perform(changeItems(work_.screen()->id, work_.picked().items, name, {},
                                   [apply = std::move(apply)](Item& i) {
                                     if (auto* container = i.container()) apply(*container);
                                   }));
}

// What becomes free stays where the order had put it.
void ContainerForm::arrangeAs(Flow flow) {
  const Screen* screen = work_.screen();
  if (!screen) return;
  std::map<ItemId, Place> places;
  if (flow == Flow::Free)
    for (size_t i = 0; i < screen->items.size(); ++i) {
      const ContainerData* container = screen->items[i]->container();
      if (!container || container->flow == Flow::Free || !work_.isPicked(screen->items[i]->id))
        continue;
      for (const auto& [id, place] : placesInFree(*screen, work_.layout(), i)) places[id] = place;
    }
  std::vector<ItemId> changed = work_.picked().items;
  for (const auto& each : places) changed.push_back(each.first);
  work_.perform(
      changeItems(screen->id, std::move(changed), "arrange otherwise", {}, [&](Item& item) {
        const auto place = places.find(item.id);
        if (place != places.end()) item.place = place->second;
        ContainerData* container = item.container();
        if (!container || !work_.isPicked(item.id)) return;
        if (container->flow == Flow::Free && flow != Flow::Free)
          item.place = placeInOrder(item.place);
        container->flow = flow;
      }));
}

QLineEdit* ContainerForm::number(const QString& name, const char* edit, double least, double most,
                                 double ContainerData::*which, const QString& unit) {
  return form_->number(
      name, least, most,
      [=, this](double v) { return change(edit, [=](ContainerData& c) { c.*which = v; }); }, unit);
}

void ContainerForm::buildOrder() {
  flow_ = form_->choice(tr("Arranged as"),
                        {tr("row"), tr("column"), tr("grid"), tr("ring"), tr("free group")},
                        [this](int index) { arrangeAs(static_cast<Flow>(index)); });
  gap_ = number(tr("Gap"), "change gap", -1000, 10000, &ContainerData::gap, QStringLiteral("px"));
  padding_ = number(tr("Padding"), "change padding", 0, 10000, &ContainerData::padding,
                    QStringLiteral("px"));
  along_ =
      form_->choice(tr("Room left over"),
                    {tr("at the end"), tr("on both sides"), tr("at the start"), tr("in between")},
                    [this](int index) {
                      change("share room otherwise",
                             [index](ContainerData& c) { c.along = static_cast<Along>(index); });
                    });
  across_ = form_->choice(tr("Alignment across"), {}, [this](int index) {
    change("change order across",
           [index](ContainerData& c) { c.across = static_cast<Across>(index); });
  });
  equal_ = form_->check(tr("All as long as the longest"), [this](bool on) {
    change(on ? "make equally long" : "let lengths differ",
           [on](ContainerData& c) { c.equal = on; });
  });
  wraps_ = form_->check(tr("Goes on in a further line"), [this](bool on) {
    change(on ? "go on in a further line" : "keep in one line",
           [on](ContainerData& c) { c.wraps = on; });
  });
  lineGap_ = number(tr("Gap of lines"), "change gap of lines", -1000, 10000,
                    &ContainerData::lineGap, QStringLiteral("px"));
}

void ContainerForm::buildGrid() {
  columns_ = form_->number(tr("Columns"), 1, kMostColumns, [this](double v) {
    const int columns = static_cast<int>(v);
    return columns == v &&
           change("change columns", [columns](ContainerData& c) { c.columns = columns; });
  });
  cells_ = form_->choice(
      tr("Cells"), {tr("as their content"), tr("all alike"), tr("of one size")}, [this](int index) {
        change("change cells", [index](ContainerData& c) { c.cells = static_cast<Cells>(index); });
      });
  cellWidth_ = number(tr("Cell width"), "change cells", 1, 10000, &ContainerData::cellWidth,
                      QStringLiteral("px"));
  cellHeight_ = number(tr("Cell height"), "change cells", 1, 10000, &ContainerData::cellHeight,
                       QStringLiteral("px"));
}

void ContainerForm::buildRing() {
  radius_ =
      number(tr("Radius"), "change radius", 0, 10000, &ContainerData::radius, QStringLiteral("px"));
  start_ =
      number(tr("First at"), "turn ring", -3600, 3600, &ContainerData::start, QStringLiteral("°"));
  start_->setToolTip(tr("Degrees clockwise from the top"));
  sweep_ = number(tr("Goes round"), "change sweep", -360, 360, &ContainerData::sweep,
                  QStringLiteral("°"));
  sweep_->setToolTip(tr("360 is all the way; less than 0 goes anticlockwise"));
}

void ContainerForm::buildScrolling() {
  scrolls_ =
      form_->choice(tr("Scrolls"), {tr("no"), tr("up and down"), tr("across")}, [this](int index) {
        change("scroll", [index](ContainerData& c) { c.scrolls = static_cast<Scrolls>(index); });
      });
  scrolls_->setToolTip(tr("What is longer than it is reached by moving it"));
  follow_ = form_->choice(
      tr("View follows focus"), {tr("as little as it must"), tr("to the middle"), tr("by a view")},
      [this](int index) {
        change("follow focus otherwise",
               [index](ContainerData& c) { c.follow = static_cast<Follow>(index); });
      });
  tabs_ = form_->choice(
      tr("Tabs"), {tr("no"), tr("up to the last"), tr("round the ends")}, [this](int index) {
        change("make tabs", [index](ContainerData& c) { c.tabs = static_cast<Tabs>(index); });
      });
  tabs_->setToolTip(
      tr("Whether tab left and tab right press the one before or after the current "
         "one, from wherever focus is"));
}

void ContainerForm::show(const ContainerData& c) {
  refill(flow_, static_cast<int>(c.flow));
  QStringList across{tr("at the start"), tr("centred"), tr("at the end"), tr("stretched")};
  if (c.flow == Flow::Row || c.across == Across::Baseline) across << tr("on the baseline");
  refill(across_, across, static_cast<int>(c.across));
  refill(along_, static_cast<int>(c.along));
  refill(cells_, static_cast<int>(c.cells));
  const std::pair<QLineEdit*, double> numbers[] = {
      {gap_, c.gap},         {padding_, c.padding},     {lineGap_, c.lineGap},
      {columns_, c.columns}, {cellWidth_, c.cellWidth}, {cellHeight_, c.cellHeight},
      {start_, c.start},     {sweep_, c.sweep},         {radius_, c.radius}};
  for (const auto& [field, value] : numbers) refill(field, QString::number(value));
  refill(equal_, c.equal);
  refill(wraps_, c.wraps);
  refill(clips_, c.clips);
  refill(panels_, c.panels);
  refill(scrolls_, static_cast<int>(c.scrolls));
  refill(follow_, static_cast<int>(c.follow));
  refill(tabs_, static_cast<int>(c.tabs));
  form_->setRowVisible(follow_, c.scrolls != Scrolls::No);
  clips_->setVisible(c.scrolls == Scrolls::No);  // one that scrolls does in any case
  const bool row = c.flow == Flow::Row, line = row || c.flow == Flow::Column;
  const bool grid = c.flow == Flow::Grid, ring = c.flow == Flow::Ring;
  form_->setRowVisible(gap_, line || grid);
  form_->setRowVisible(across_, line || grid);
  form_->setRowVisible(along_, line);
  equal_->setVisible(line);
  wraps_->setVisible(row);
  form_->setRowVisible(lineGap_, grid || (row && c.wraps));
  form_->setRowVisible(columns_, grid);
  form_->setRowVisible(cells_, grid);
  for (QLineEdit* field : {cellWidth_, cellHeight_})
    form_->setRowVisible(field, grid && c.cells == Cells::Fixed);
  for (QLineEdit* field : {radius_, start_, sweep_}) form_->setRowVisible(field, ring);
}

}  // namespace bristle
