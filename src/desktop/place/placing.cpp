#include "desktop/place/placing.h"

#include <QCoreApplication>
#include <QFileInfo>
#include <cmath>

#include "core/arrange/place_at.h"
#include "core/edit/art_edits.h"
#include "core/edit/group_edits.h"
#include "core/edit/screen_edits.h"
#include "core/formats/file_io.h"
#include "desktop/place/change_kind.h"
#include "desktop/place/new_items.h"
#include "desktop/view/project_files.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "paint/pictures.h"
#include "paint/svg_pieces.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

constexpr Px kGap = 16;  // between what is placed side by side

Size sizeOf(Work& work, const KindId& kind) {
  Item item;
  ButtonData button;
  button.kind = kind;
  if (const Kind* k = find(work.project(), kind)) button.caption = k->sampleCaption;
  item.what = std::move(button);
  return naturalSize(work.project(), item, work.language().id, work.measure());
}

// Of a copy on the screen, with the words that the group has.
Size sizeOfGroup(Work& work, const GroupId& id) {
  const Group& group = *find(work.project(), id);
  const Layout layout =
      layOut(work.project(), group.holds, {*work.display(), work.language().id}, work.measure());
  return layout.items.empty() ? Size{} : Size{layout.items[0].box.w, layout.items[0].box.h};
}

// Side by side from `from` on.
std::vector<Place> inARow(Work& work, const std::vector<KindId>& kinds, const ItemId& holder,
                          QPointF from) {
  std::vector<Place> out;
  const auto at = holder ? indexOf(*work.screen(), holder) : std::nullopt;
  const double scale = at ? work.layout().items[*at].scale : work.layout().scale;
  for (const KindId& kind : kinds) {
    const Size written = sizeOf(work, kind), size{written.w * scale, written.h * scale};
    out.push_back(placeInside(*work.screen(), work.layout(), holder, {},
                              {std::round(from.x()), std::round(from.y()), size.w, size.h}));
    from.rx() += size.w + kGap;
  }
  return out;
}

// The topmost shown button whose middle half holds the place, and that is not locked.
std::optional<size_t> buttonUnder(Work& work, const QPointF& at) {
  const Screen& screen = *work.screen();
  const auto nesting = nestingOf(screen);
  for (size_t i = screen.items.size(); i-- > 0;) {
    const Placed& placed = work.layout().items[i];
    if (!screen.items[i]->button() || !placed.isSeen() || nesting[i].locked) continue;
    const QRectF box = toQt(placed.box);
    if (!box.contains(at)) continue;
    const QRectF inner =
        box.adjusted(box.width() / 4, box.height() / 4, -box.width() / 4, -box.height() / 4);
    return inner.contains(at) ? std::optional(i) : std::nullopt;
  }
  return {};
}

}  // namespace

Placing placingAt(Work& work, const std::vector<KindId>& kinds, const QPointF& at) {
  Placing out;
  if (!work.screen()) return out;
  const auto button = kinds.size() == 1 ? buttonUnder(work, at) : std::nullopt;
  if (button) {
    const Item& item = *work.screen()->items[*button];
    out.becomes = item.id;
    out.spot = {{item.parent, {}}, work.layout().items[*button].box, true};
    return out;
  }
  out.spot = dropSpotAt(*work.screen(), work.layout(), at.x(), at.y());
  return out;
}

void placeKinds(Work& work, const std::vector<KindId>& kinds, const QPointF& at) {
  if (!work.screen() || kinds.empty()) return;
  const Placing placing = placingAt(work, kinds, at);
  if (!placing.becomes.text.empty()) {
    work.pickItems({placing.becomes});
    return changeKind(work, {placing.becomes}, kinds.front());
  }
  const Size first = sizeOf(work, kinds.front());
  std::vector<Place> places;
  if (!placing.spot.ordered)
    places = inARow(work, kinds, placing.spot.to.holder, at - QPointF(first.w, first.h) / 2);
  performAndPickNew(work, addButtons(work.screen()->id, kinds, placing.spot.to, places));
}

void placeBesidePicked(Work& work, const KindId& kind, const QPointF& at) {
  const Screen* screen = work.screen();
  if (!screen) return;
  const Item* beside = nullptr;
  if (!work.picked().items.empty()) beside = findItem(*screen, work.picked().items.back());
  if (!beside) {
    const Size size = sizeOf(work, kind);
    const auto places = inARow(work, {kind}, {}, at - QPointF(size.w, size.h) / 2);
    performAndPickNew(work, addButtons(screen->id, {kind}, {}, places));
    return;
  }
  const Spot spot{beside->parent, brotherAfter(*screen, beside->id)};
  std::vector<Place> places;
  if (isLoose(*screen, *beside)) {
    const Box& box = work.layout().items[*indexOf(*screen, beside->id)].box;
    places = inARow(work, {kind}, spot.holder, {box.x + box.w + kGap, box.y});
  }
  performAndPickNew(work, addButtons(screen->id, {kind}, spot, places));
}

void placeGroupAt(Work& work, const GroupId& group, const QPointF& at) {
  if (!work.screen() || !find(work.project(), group)) return;
  const Screen& screen = *work.screen();
  const DropSpot spot = dropSpotAt(screen, work.layout(), at.x(), at.y());
  const Size size = sizeOfGroup(work, group);
  const Place place = placeInside(
      screen, work.layout(), spot.to.holder, {},
      {std::round(at.x() - size.w / 2), std::round(at.y() - size.h / 2), size.w, size.h});
  performAndPickNew(work, placeGroup(screen.id, group, spot.to, place.x.offset, place.y.offset));
}

void placeGroupBesidePicked(Work& work, const GroupId& group, const QPointF& at) {
  const Screen* screen = work.screen();
  if (!screen || !find(work.project(), group)) return;
  const Item* beside = nullptr;
  if (!work.picked().items.empty()) beside = findItem(*screen, work.picked().items.back());
  if (!beside) return placeGroupAt(work, group, at);
  const Spot spot{beside->parent, brotherAfter(*screen, beside->id)};
  const Box& box = work.layout().items[*indexOf(*screen, beside->id)].box;
  const Size size = sizeOfGroup(work, group);
  const Place place = placeInside(*screen, work.layout(), spot.holder, {},
                                  {box.x + box.w + kGap, box.y, size.w, size.h});
  performAndPickNew(work, placeGroup(screen->id, group, spot, place.x.offset, place.y.offset));
}

void placePictures(Work& work, const QStringList& paths, const QPointF& at) {
  if (!work.screen()) return;
  QPointF from = at;
  for (const QString& path : paths) {
    // Looked at before it is copied: what is broken does not come into the project.
    const auto read = readPicture(path, QFileInfo(path).fileName());
    if (!read.problem.isEmpty()) return work.tell(read.problem, true);
    const auto file = broughtInside(work, path, QStringLiteral("art"));
    if (!file) return;
    const QSizeF size = read.image.size();
    const Box box{std::round(from.x() - size.width() / 2), std::round(from.y() - size.height() / 2),
                  size.width(), size.height()};
    Item item;
    item.name = fromQt(QFileInfo(path).completeBaseName());
    item.place = placeInside(*work.screen(), work.layout(), {}, {}, box);
    item.place.x.size = box.w / work.layout().scale;
    item.place.y.size = box.h / work.layout().scale;
    item.what = PictureData{fromQt(*file)};
    performAndPickNew(work, addItem(work.screen()->id, "add picture", std::move(item)));
    from.rx() += size.width() + kGap;
  }
}

void takeApartPicked(Work& work) {
  const Item* item = work.item();
  const auto* picture = item ? std::get_if<PictureData>(&item->what) : nullptr;
  if (!picture)
    return work.tell(QCoreApplication::translate("Place", "Pick a picture first"), true);
  const auto path = fileInside(fromQt(work.folder()), picture->file);
  if (!path) return work.tell(toQt(path.error().text()), true);
  const auto pieces = piecesOf(*path);
  if (!pieces) return work.tell(toQt(pieces.error().text()), true);
  const Placed& placed = work.layout().items[*indexOf(*work.screen(), item->id)];
  const QRectF own = toQt(placed.own());
  const QSizeF size = readPicture(*path, toQt(picture->file)).image.size();
  const QRectF all = fitted(own, size, lookOf(*picture, false));  // the container mirrors them
  std::vector<ArtPiece> out;
  for (const SvgPiece& piece : *pieces)
    out.push_back({fromQt(piece.group),
                   picture->file + "#" + fromQt(piece.group),
                   {all.x() - own.x() + piece.box.x() * all.width() / size.width(),
                    all.y() - own.y() + piece.box.y() * all.height() / size.height(),
                    piece.box.width() * all.width() / size.width(),
                    piece.box.height() * all.height() / size.height()}});
  work.perform(takeApart(work.screen()->id, item->id, {own.width(), own.height()}, std::move(out)));
}

}  // namespace bristle
