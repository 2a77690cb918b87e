#include "deliver/sheets.h"

#include <QPainter>
#include <algorithm>
#include <nlohmann/json.hpp>

#define STB_RECT_PACK_IMPLEMENTATION
#define STBRP_STATIC
#include <stb/stb_rect_pack.h>

#include "deliver/pictures.h"
#include "paint/convert.h"

namespace bristle {
namespace {

using Json = nlohmann::ordered_json;

constexpr int kSheetSide = 4096;  // px: what every engine takes
constexpr int kBetween = 2;       // px, so that none bleeds into another when it is scaled

// A kind in a state, drawn; `rect` is what of it is kept.
struct Drawn {
  const Kind* kind = nullptr;
  const State* state = nullptr;
  std::string name;  // safe for files, and told apart from all others
  QImage image;
  QRect rect;
  double reach = 0;  // px of the picture around the button's box
  double pivotX = 0.5, pivotY = 0.5;
};

// What is not wholly transparent; at least one px.
QRect contentOf(const QImage& image) {
  int left = image.width(), right = -1, top = image.height(), low = -1;
  for (int y = 0; y < image.height(); ++y) {
    const auto* line = reinterpret_cast<const QRgb*>(image.constScanLine(y));
    for (int x = 0; x < image.width(); ++x) {
      if (qAlpha(line[x]) == 0) continue;
      left = std::min(left, x), right = std::max(right, x);
      top = std::min(top, y), low = std::max(low, y);
    }
  }
  return right < 0 ? QRect(0, 0, 1, 1) : QRect(QPoint(left, top), QPoint(right, low));
}

// Of the whole, in all states alike.
double numberIn(const LookTable& table, Prop prop) {
  return std::get<double>(table.base()[size_t(table.channel({{}, prop}))]);
}

Result<std::vector<Drawn>> drawAll(const Project& project, LookPainter& looks,
                                   const PictureWishes& wishes, const MadeProgress& progress) {
  std::vector<Drawn> out;
  std::vector<std::string> taken;
  int total = 0;
  for (const auto& kind : project.kinds)
    if (const Machine* machine = find(project, kind->machine))
      total += int(statesSeen(*kind, *machine));
  looks.pictures().takeProblems();
  for (const auto& kind : project.kinds) {
    const Machine* machine = find(project, kind->machine);
    if (!machine) return fail("kind “" + kind->name + "”", "its machine is not there");
    const LookTable table(*kind, *machine, naming(project));
    const std::string base = safeFileName(kind->name, taken);
    std::vector<std::string> states;
    for (size_t s = 0; s < statesSeen(*kind, *machine); ++s) {
      auto image = pictureOf(*kind, table, static_cast<StateIndex>(s), looks, wishes.scale);
      if (!image) return tl::unexpected(image.error());
      Drawn drawn;
      drawn.kind = &*kind;
      drawn.state = &machine->states[s];
      drawn.name = base + "." + safeFileName(machine->states[s].name, states);
      drawn.image = std::move(*image);
      drawn.pivotX = numberIn(table, Prop::PivotX);
      drawn.pivotY = numberIn(table, Prop::PivotY);
      drawn.rect = wishes.trim ? contentOf(drawn.image) : drawn.image.rect();
      drawn.reach = LookPainter::reach(*kind, table) * wishes.scale;
      out.push_back(std::move(drawn));
      if (progress && !progress(int(out.size()), total))
        return fail(project.name, "stopped; nothing was written");
    }
  }
  if (auto missing = missingIn(looks.pictures().takeProblems()); missing && !wishes.allowMissing)
    return tl::unexpected(std::move(*missing));
  return out;
}

// Where the button's box lies in the kept part, and about what the whole turns and grows, as a
// fraction of the box.
Json entryOf(const Drawn& d, const PictureWishes& wishes) {
  const double w = d.kind->width * wishes.scale, h = d.kind->height * wishes.scale;
  return {{"kind", d.kind->id.text},
          {"state", d.state->id.text},
          {"name", d.name},
          {"box", {{"x", d.reach - d.rect.x()}, {"y", d.reach - d.rect.y()}, {"w", w}, {"h", h}}},
          {"whole",
           {{"w", d.image.width()}, {"h", d.image.height()}, {"x", d.rect.x()}, {"y", d.rect.y()}}},
          {"pivot", {{"x", d.pivotX}, {"y", d.pivotY}}}};
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

Result<std::vector<MadeFile>> makePictures(const Project& project, LookPainter& looks,
                                           const PictureWishes& wishes,
                                           const MadeProgress& progress) {
  const auto drawn = drawAll(project, looks, wishes, progress);
  if (!drawn) return tl::unexpected(drawn.error());
  std::vector<MadeFile> out;
  Json index = headOf(project, wishes);
  index["pages"] = Json::array();
  index["pictures"] = Json::array();
  for (const Drawn& d : *drawn) {
    const std::string file = d.name + ".png";
    auto bytes = pngOf(d.image.copy(d.rect), file);
    if (!bytes) return tl::unexpected(bytes.error());
    Json entry = entryOf(d, wishes);
    entry.update({{"page", index["pages"].size()},
                  {"x", 0},
                  {"y", 0},
                  {"w", d.rect.width()},
                  {"h", d.rect.height()}});
    index["pages"].push_back(
        {{"file", file}, {"width", d.rect.width()}, {"height", d.rect.height()}});
    index["pictures"].push_back(std::move(entry));
    out.push_back({file, std::move(*bytes)});
  }
  out.push_back({"index.json", index.dump(1) + "\n"});
  return out;
}

Result<std::vector<MadeFile>> makeSheets(const Project& project, LookPainter& looks,
                                         const PictureWishes& wishes,
                                         const MadeProgress& progress) {
  const auto drawn = drawAll(project, looks, wishes, progress);
  if (!drawn) return tl::unexpected(drawn.error());
  std::vector<stbrp_rect> left;
  for (size_t i = 0; i < drawn->size(); ++i) {
    const QSize size = (*drawn)[i].rect.size() + QSize(kBetween, kBetween);
    if (size.width() > kSheetSide || size.height() > kSheetSide)
      return fail("kind “" + (*drawn)[i].kind->name + "”",
                  "is too large for a sheet; deliver it as pictures, or smaller");
    left.push_back({int(i), size.width(), size.height(), 0, 0, 0});
  }
  std::vector<MadeFile> out;
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
      Json entry = entryOf(d, wishes);
      entry.update({{"page", index["pages"].size()},
                    {"x", r.x},
                    {"y", r.y},
                    {"w", d.rect.width()},
                    {"h", d.rect.height()}});
      entries[size_t(r.id)] = std::move(entry);
    }
    painter.end();
    const std::string file = "sheet-" + std::to_string(index["pages"].size() + 1) + ".png";
    auto bytes = pngOf(page, file);
    if (!bytes) return tl::unexpected(bytes.error());
    index["pages"].push_back({{"file", file}, {"width", size.width()}, {"height", size.height()}});
    out.push_back({file, std::move(*bytes)});
  }
  index["pictures"] = entries;
  out.push_back({"sheets.json", index.dump(1) + "\n"});
  return out;
}

}  // namespace bristle
