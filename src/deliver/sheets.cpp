#include "deliver/sheets.h"

#include <QPainter>
#include <algorithm>
#include <cmath>
#include <nlohmann/json.hpp>

#define STB_RECT_PACK_IMPLEMENTATION
#define STBRP_STATIC
#include <stb/stb_rect_pack.h>

#include "deliver/drawn.h"
#include "deliver/pictures.h"
#include "paint/convert.h"

namespace bristle {
namespace {

using Json = nlohmann::ordered_json;

constexpr int kSheetSide = 4096;  // px: what every engine takes
constexpr int kBetween = 2;       // px, so that none bleeds into another when it is scaled

double rounded(double v) {
  return std::round(v * 1000) / 1000;
}

Json placedJson(const std::vector<PlacedUse>& placed) {
  Json out = Json::array();
  for (const PlacedUse& use : placed) {
    Json one{{"screen", use.screen.text}, {"item", use.item.text}};
    if (use.language) one["language"] = use.language.text;
    out.push_back(std::move(one));
  }
  return out;
}

// Where the button's box lies in the kept part, and about what the whole turns and grows, as a
// fraction of the box.
Json entryOf(const Drawn& d) {
  Json out{{"name", d.name}};
  if (d.kind) out["kind"] = d.kind->id.text;
  if (d.state) out["state"] = d.state->id.text;
  if (!d.placed.empty()) out["placed"] = placedJson(d.placed);
  if (d.strip)
    out["strip"] = {{"from", d.strip->from.text}, {"frames", d.strip->frames},
                    {"across", d.strip->across},  {"w", d.strip->width},
                    {"h", d.strip->height},       {"every", rounded(d.strip->every)}};
  out["box"] = {{"x", rounded(d.reach - d.at.x())},
                {"y", rounded(d.reach - d.at.y())},
                {"w", rounded(d.w)},
                {"h", rounded(d.h)}};
  out["whole"] = {
      {"w", d.whole.width()}, {"h", d.whole.height()}, {"x", d.at.x()}, {"y", d.at.y()}};
  if (d.kind) out["pivot"] = {{"x", d.pivotX}, {"y", d.pivotY}};
  if (d.slices.across)
    out["slices"]["left"] = d.slices.left, out["slices"]["right"] = d.slices.right;
  if (d.slices.down) out["slices"]["top"] = d.slices.top, out["slices"]["bottom"] = d.slices.bottom;
  return out;
}

Json headOf(const Project& project, const PictureWishes& wishes) {
  return {{"bristleSheets", 1}, {"project", project.name}, {"scale", wishes.scale}};
}

// Places as many as fit on one sheet; those that did not stay in the list.
QSize packOne(std::vector<stbrp_rect>& left, std::vector<stbrp_rect>& placed) {
  int side = 256;
  std::vector<stbrp_node> nodes;
  for (;; side *= 2) {
    nodes.assign(size_t(side), {});
    stbrp_context context;
    stbrp_init_target(&context, side, side, nodes.data(), side);
    const bool all = stbrp_pack_rects(&context, left.data(), int(left.size())) != 0;
    if (all || side >= kSheetSide) break;
  }
  QSize used;
  const auto fits = std::stable_partition(left.begin(), left.end(),
                                          [](const stbrp_rect& r) { return r.was_packed == 0; });
  placed.assign(fits, left.end());
  left.erase(fits, left.end());
  for (const stbrp_rect& r : placed)
    used = used.expandedTo({r.x + r.w - kBetween, r.y + r.h - kBetween});
  return used;
}

}  // namespace

Result<LaterFiles> makePictures(const Project& project, LookPainter& looks,
                                const PictureWishes& wishes, const MadeProgress& progress) {
  const auto drawn = drawAll(project, looks, wishes, progress);
  if (!drawn) return tl::unexpected(drawn.error());
  LaterFiles out;
  Json index = headOf(project, wishes);
  index["pages"] = Json::array();
  index["pictures"] = Json::array();
  for (const Drawn& d : *drawn) {
    const std::string file = d.name + ".png";
    Json entry = entryOf(d);
    entry.update({{"page", index["pages"].size()},
                  {"x", 0},
                  {"y", 0},
                  {"w", d.rect.width()},
                  {"h", d.rect.height()}});
    index["pages"].push_back(
        {{"file", file}, {"width", d.rect.width()}, {"height", d.rect.height()}});
    index["pictures"].push_back(std::move(entry));
    out.add(file, [image = d.image, rect = d.rect, file] { return pngOf(image.copy(rect), file); });
  }
  out.add("index.json", index.dump(1) + "\n");
  return out;
}

Result<LaterFiles> makeSheets(const Project& project, LookPainter& looks,
                              const PictureWishes& wishes, const MadeProgress& progress) {
  const auto drawn = drawAll(project, looks, wishes, progress);
  if (!drawn) return tl::unexpected(drawn.error());
  std::vector<stbrp_rect> left;
  for (size_t i = 0; i < drawn->size(); ++i) {
    const QSize size = (*drawn)[i].rect.size() + QSize(kBetween, kBetween);
    if (size.width() > kSheetSide || size.height() > kSheetSide)
      return fail("“" + (*drawn)[i].name + "”",
                  "is too large for a sheet; deliver it as pictures, or smaller");
    left.push_back({int(i), size.width(), size.height(), 0, 0, 0});
  }
  LaterFiles out;
  Json index = headOf(project, wishes);
  index["pages"] = Json::array();
  std::vector<Json> entries(drawn->size());
  while (!left.empty()) {
    std::vector<stbrp_rect> placed;
    const QSize size = packOne(left, placed);
    QImage page(size, QImage::Format_ARGB32_Premultiplied);
    page.fill(Qt::transparent);
    QPainter painter(&page);
    painter.setCompositionMode(QPainter::CompositionMode_Source);
    for (const stbrp_rect& r : placed) {
      const Drawn& d = (*drawn)[size_t(r.id)];
      painter.drawImage(QPoint(r.x, r.y), d.image, d.rect);
      Json entry = entryOf(d);
      entry.update({{"page", index["pages"].size()},
                    {"x", r.x},
                    {"y", r.y},
                    {"w", d.rect.width()},
                    {"h", d.rect.height()}});
      entries[size_t(r.id)] = std::move(entry);
    }
    painter.end();
    const std::string file = "sheet-" + std::to_string(index["pages"].size() + 1) + ".png";
    index["pages"].push_back({{"file", file}, {"width", size.width()}, {"height", size.height()}});
    out.add(file, [page = std::move(page), file] { return pngOf(page, file); });
  }
  index["pictures"] = entries;
  out.add("sheets.json", index.dump(1) + "\n");
  return out;
}

}  // namespace bristle
