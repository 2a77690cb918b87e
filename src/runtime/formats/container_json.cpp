#include "runtime/formats/container_json.h"

#include <array>

namespace bristle {
namespace {

constexpr std::array<std::string_view, 3> kTabs{"no", "stop", "round"};
constexpr std::array<std::string_view, 5> kAcross{"start", "centre", "end", "stretch", "baseline"};
constexpr std::array<std::string_view, 4> kAlong{"start", "centre", "end", "spread"};
constexpr std::array<std::string_view, 3> kCells{"content", "shared", "fixed"};
constexpr std::array<std::string_view, 3> kScrolls{"no", "down", "across"};
constexpr std::array<std::string_view, 3> kFollow{"nearest", "centre", "page"};
constexpr std::array<std::string_view, 4> kSides{"below", "above", "right", "left"};

Json flyOutJson(const FlyOut& f) {
  Json opens = Json::array();
  if (f.byHover) opens.push_back("hover");
  if (f.byFocus) opens.push_back("focus");
  if (f.byAccept) opens.push_back("accept");
  return {{"from", f.from.text}, {"side", kSides[static_cast<size_t>(f.side)]}, {"opens", opens}};
}

FlyOut readFlyOut(JsonReader& r, const Json& value, const JsonPlace& at) {
  FlyOut out;
  if (!r.isObject(value, at)) return out;
  out.from = {r.text(value, at, "from")};
  out.side = static_cast<Side>(r.choice(value, at, "side", kSides));
  out.byHover = out.byFocus = out.byAccept = false;
  r.each(value, at, "opens", [&](const Json& by, const JsonPlace& here) {
    const std::string word = by.is_string() ? by.get_ref<const std::string&>() : std::string();
    bool* const to = word == "hover"    ? &out.byHover
                     : word == "focus"  ? &out.byFocus
                     : word == "accept" ? &out.byAccept
                                        : nullptr;
    if (to)
      *to = true;
    else
      r.complain(here, "expected hover, focus or accept");
  });
  return out;
}

}  // namespace

void writeContainer(Json& out, const ContainerData& c) {
  out["gap"] = c.gap;
  if (c.padding != 0) out["padding"] = c.padding;
  if (c.across != Across::Start) out["across"] = kAcross[static_cast<size_t>(c.across)];
  if (c.clips) out["clips"] = true;
  const ContainerData usual;
  if (c.along != usual.along) out["along"] = kAlong[static_cast<size_t>(c.along)];
  if (c.equal) out["equal"] = true;
  if (c.wraps) out["wraps"] = true;
  if (c.lineGap != usual.lineGap) out["lineGap"] = c.lineGap;
  if (c.columns != usual.columns) out["columns"] = c.columns;
  if (c.cells != usual.cells) out["cells"] = kCells[static_cast<size_t>(c.cells)];
  if (c.cellWidth != usual.cellWidth) out["cellWidth"] = c.cellWidth;
  if (c.cellHeight != usual.cellHeight) out["cellHeight"] = c.cellHeight;
  if (c.start != usual.start) out["start"] = c.start;
  if (c.sweep != usual.sweep) out["sweep"] = c.sweep;
  if (c.radius != usual.radius) out["ringRadius"] = c.radius;
  if (c.scrolls != Scrolls::No) out["scrolls"] = kScrolls[static_cast<size_t>(c.scrolls)];
  if (c.flyOut.from) out["flyOut"] = flyOutJson(c.flyOut);
  if (c.group) out["group"] = c.group.text;
  if (c.bar) out["bar"] = c.bar.text;
  if (c.panels) out["panels"] = true;
  if (c.tabs != Tabs::No) out["tabs"] = kTabs[static_cast<size_t>(c.tabs)];
  if (c.follow != Follow::Nearest) out["follow"] = kFollow[static_cast<size_t>(c.follow)];
}

int readCells(JsonReader& r, const Json& value, const JsonPlace& at, std::string_view key,
              int usual) {
  const double cells = r.number(value, at, key, usual, 1, kMostColumns);
  if (cells != std::floor(cells)) r.complain({&at, key, 0, false}, "expected a whole number");
  return static_cast<int>(cells);
}

ContainerData readContainer(JsonReader& r, const Json& value, const JsonPlace& at, Flow flow) {
  ContainerData c;
  c.flow = flow;
  c.gap = r.number(value, at, "gap", 16, -1000, 10000);
  c.padding = r.number(value, at, "padding", 0, 0, 10000);
  c.across = static_cast<Across>(r.choice(value, at, "across", kAcross));
  c.clips = r.boolean(value, at, "clips", false);
  c.along = static_cast<Along>(r.choice(value, at, "along", kAlong));
  c.equal = r.boolean(value, at, "equal", false);
  c.wraps = r.boolean(value, at, "wraps", false);
  c.lineGap = r.number(value, at, "lineGap", c.lineGap, -1000, 10000);
  c.columns = readCells(r, value, at, "columns", c.columns);
  c.cells = static_cast<Cells>(r.choice(value, at, "cells", kCells));
  c.cellWidth = r.number(value, at, "cellWidth", c.cellWidth, 1, 10000);
  c.cellHeight = r.number(value, at, "cellHeight", c.cellHeight, 1, 10000);
  c.start = r.number(value, at, "start", c.start, -3600, 3600);
  c.sweep = r.number(value, at, "sweep", c.sweep, -360, 360);
  c.radius = r.number(value, at, "ringRadius", c.radius, 0, 10000);
  c.scrolls = static_cast<Scrolls>(r.choice(value, at, "scrolls", kScrolls));
  c.follow = static_cast<Follow>(r.choice(value, at, "follow", kFollow));
  if (const Json* fly = r.member(value, "flyOut"))
    c.flyOut = readFlyOut(r, *fly, {&at, "flyOut", 0, false});
  c.group = {r.text(value, at, "group")};
  c.bar = {r.text(value, at, "bar")};
  c.panels = r.boolean(value, at, "panels", false);
  c.tabs = static_cast<Tabs>(r.choice(value, at, "tabs", kTabs));
  return c;
}

}  // namespace bristle
