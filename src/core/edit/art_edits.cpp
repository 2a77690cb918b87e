#include "core/edit/art_edits.h"

#include <algorithm>

#include "core/edit/on_screen.h"
#include "runtime/document/tree.h"

namespace bristle {

Edit takeApart(ScreenId id, ItemId picture, Size size, std::vector<ArtPiece> pieces) {
  return onScreen(id, "take apart", {}, [=](Project after, Screen& screen) -> Result<Project> {
    const auto at = std::find_if(screen.items.begin(), screen.items.end(),
                                 [&](const auto& item) { return item->id == picture; });
    if (at == screen.items.end() || !std::holds_alternative<PictureData>((*at)->what))
      return fail({}, "only a picture can be taken apart");
    if (pieces.empty()) return fail({}, "the picture has no groups of its own");
    Item& holder = at->edit();
    const auto was = std::get<PictureData>(holder.what);
    holder.what = ContainerData{.flow = Flow::Free, .clips = was.fit == PictureFit::Cover};
    if (holder.name.empty()) {
      const size_t from = was.file.rfind('/') + 1;  // 0 where there is no folder
      holder.name = was.file.substr(from, was.file.rfind('.') - from);
    }
    // What stretched with its display still does; else it keeps the size that it was seen at.
    if (holder.place.x.pin != Pin::Both && holder.place.x.size <= 0) holder.place.x.size = size.w;
    if (holder.place.y.pin != Pin::Both && holder.place.y.size <= 0) holder.place.y.size = size.h;
    for (const ArtPiece& piece : pieces) {
      Item part;
      part.id = freshId<ItemId>(after, "i");
      part.name = piece.name;
      part.place = {{Pin::Start, piece.box.x, piece.box.w, 0},
                    {Pin::Start, piece.box.y, piece.box.h, 0}};
      part.what = PictureData{.file = piece.file, .fit = PictureFit::Whole, .turns = was.turns};
      putLast(screen, picture, {Shared<Item>(std::move(part))});
    }
    return after;
  });
}

}  // namespace bristle
