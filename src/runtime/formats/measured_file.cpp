#include "runtime/formats/measured_file.h"

#include <cmath>

#include "runtime/formats/json_reader.h"

namespace bristle {
namespace {

constexpr double kMostPx = 1e6;

Json maskJson(const HitMask& mask) {
  Json rows = Json::array();
  for (const auto& row : mask.rows) {
    Json line = Json::array();
    for (const auto& [from, to] : row) {
      line.push_back(from);
      line.push_back(to);
    }
    rows.push_back(std::move(line));
  }
  return {{"top", mask.top}, {"rows", std::move(rows)}};
}

HitMask readMask(JsonReader& r, const Json& json, const JsonPlace& at) {
  HitMask out;
  out.top = static_cast<int>(r.number(json, at, "top", 0, -kMostPx, kMostPx));
  r.each(json, at, "rows", [&](const Json& row, const JsonPlace& here) {
    auto& stretches = out.rows.emplace_back();
    if (!row.is_array() || row.size() % 2 != 0)
      return r.complain(here, "expected pairs of numbers, found " + JsonReader::sortOf(row));
    for (size_t i = 0; i + 1 < row.size(); i += 2)
      stretches.push_back({static_cast<int>(r.plainNumber(row[i], here, -kMostPx, kMostPx)),
                           static_cast<int>(r.plainNumber(row[i + 1], here, -kMostPx, kMostPx))});
  });
  return out;
}

TextSize readTextSize(JsonReader& r, const Json& json, const JsonPlace& at) {
  return {r.text(json, at, "font"),
          r.number(json, at, "size", 0, 0, kMostPx),
          r.number(json, at, "weight", 400, 1, 1000),
          r.text(json, at, "text"),
          {{r.number(json, at, "w", 0, 0, kMostPx), r.number(json, at, "h", 0, 0, kMostPx)},
           r.number(json, at, "caps", 0, 0, kMostPx)}};
}

}  // namespace

std::string writeMeasured(const Measured& measured) {
  Json texts = Json::array(), masks = Json::array(), areas = Json::array();
  for (const TextSize& t : measured.texts)
    texts.push_back({{"font", t.family},
                     {"size", t.size},
                     {"weight", t.weight},
                     {"text", t.text},
                     {"w", t.is.w},
                     {"h", t.is.h},
                     {"caps", t.is.caps}});
  for (const HitMask& mask : measured.areas.masks) masks.push_back(maskJson(mask));
  for (const HitAreas::Use& use : measured.areas.uses)
    areas.push_back({{"button", use.button.text}, {"w", use.w}, {"h", use.h}, {"mask", use.mask}});
  const Json out{{"measured", 1},
                 {"texts", std::move(texts)},
                 {"masks", std::move(masks)},
                 {"areas", std::move(areas)}};
  return out.dump() + "\n";
}

Result<Measured> parseMeasured(std::string_view text) {
  const auto json = parseJson(text);
  if (!json) return tl::unexpected(json.error());
  JsonReader r;
  const JsonPlace top;
  Measured out;
  if (r.isObject(*json, top) && r.number(*json, top, "measured", 0) != 1)
    r.complain(top, "expected what was measured, {\"measured\":1, …}");
  r.each(*json, top, "texts", [&](const Json& one, const JsonPlace& at) {
    if (r.isObject(one, at)) out.texts.push_back(readTextSize(r, one, at));
  });
  r.each(*json, top, "masks", [&](const Json& one, const JsonPlace& at) {
    if (r.isObject(one, at)) out.areas.masks.push_back(readMask(r, one, at));
  });
  r.each(*json, top, "areas", [&](const Json& one, const JsonPlace& at) {
    if (!r.isObject(one, at)) return;
    const double mask = r.number(one, at, "mask", -1);
    if (mask != std::floor(mask) || mask < 0 || mask >= double(out.areas.masks.size()))
      return r.complain({&at, "mask", 0, false}, "expected the place of a mask in the list");
    out.areas.uses.push_back({{r.id(one, at, "button")},
                              r.number(one, at, "w", 0, 0, kMostPx),
                              r.number(one, at, "h", 0, 0, kMostPx),
                              static_cast<size_t>(mask)});
  });
  if (r.error()) return tl::unexpected(*r.error());
  return out;
}

}  // namespace bristle
