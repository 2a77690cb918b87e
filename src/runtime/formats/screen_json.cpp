#include "runtime/formats/screen_json.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "runtime/document/tree.h"
#include "runtime/document/whynot.h"
#include "runtime/formats/leftover.h"
#include "runtime/formats/look_json.h"
#include "runtime/formats/route_json.h"
#include "runtime/formats/text_json.h"

namespace bristle {
namespace {

constexpr std::array<std::string_view, 7> kPins{"none", "start",    "centre",  "end",
                                                "both", "fraction", "baseline"};
constexpr std::array<std::string_view, 5> kScaling{"none", "width", "height", "smaller", "greater"};
constexpr std::array<std::string_view, 5> kAcross{"start", "centre", "end", "stretch", "baseline"};
constexpr std::array<std::string_view, 4> kAlong{"start", "centre", "end", "spread"};
constexpr std::array<std::string_view, 3> kCells{"content", "shared", "fixed"};
constexpr std::array<std::string_view, 3> kFits{"cover", "contain", "whole"};
constexpr std::array<std::string_view, 5> kFlows{"row", "column", "grid", "ring", "free"};
constexpr std::array<std::string_view, 3> kScrolls{"no", "down", "across"};
constexpr std::array<std::string_view, 3> kFollow{"nearest", "centre", "page"};
constexpr std::array<std::string_view, 4> kSides{"below", "above", "right", "left"};
constexpr std::array<std::string_view, 2> kForms{"cut", "fade"};
constexpr std::array<std::string_view, 6> kActions{"none", "open",    "top",
                                                   "back", "message", "quit"};

// A plain number is where it was drawn.
Json axisJson(const AxisPlace& a) {
  AxisPlace plain;
  plain.offset = a.offset;
  if (a == plain) return a.offset;
  Json out{{"pin", kPins[static_cast<size_t>(a.pin)]}, {"offset", a.offset}};
  if (a.fraction != plain.fraction) out["fraction"] = a.fraction;
  if (a.share != 0) out["share"] = a.share;
  if (a.size != 0) out["size"] = a.size;
  if (a.pin == Pin::Both) out["farOffset"] = a.farOffset;
  if (a.rest != 0) out["rest"] = a.rest;
  if (a.least != 0) out["least"] = a.least;
  if (a.most != 0) out["most"] = a.most;
  return out;
}

AxisPlace readAxis(JsonReader& r, const Json& item, const JsonPlace& at, std::string_view key) {
  AxisPlace a;
  const Json* value = r.member(item, key);
  if (!value) return a;
  const JsonPlace here{&at, key, 0, false};
  if (value->is_number()) {
    a.offset = r.plainNumber(*value, here, -1e6, 1e6);
    return a;
  }
  if (!r.isObject(*value, here)) return a;
  a.pin = static_cast<Pin>(r.choice(*value, here, "pin", kPins));
  a.offset = r.number(*value, here, "offset", 0, -1e6, 1e6);
  a.size = r.number(*value, here, "size", 0, 0, 1e6);
  a.farOffset = r.number(*value, here, "farOffset", 0, -1e6, 1e6);
  a.rest = r.number(*value, here, "rest", 0, 0, 1000);
  a.least = r.number(*value, here, "least", 0, 0, 1e6);
  a.most = r.number(*value, here, "most", 0, 0, 1e6);
  a.fraction = r.number(*value, here, "fraction", a.fraction, 0, 1);
  a.share = r.number(*value, here, "share", 0, 0, 1);
  return a;
}

void writeButton(Json& out, const ButtonData& b, const Project& project) {
  out["kind"] = b.kind.text;
  out["caption"] = toJson(b.caption);
  if (!b.accessibleName.empty()) out["accessibleName"] = toJson(b.accessibleName);
  if (!b.description.empty()) out["description"] = toJson(b.description);
  if (!b.own.empty()) out["own"] = toJson(b.own, find(project, b.kind));
  if (b.disabled) out["disabled"] = true;
  if (!b.when.enabled.empty()) out["enabledWhen"] = b.when.enabled;
  if (!b.when.current.empty()) out["currentWhen"] = b.when.current;
  if (b.action.type != ActionType::None) {
    Json action{{"do", kActions[static_cast<size_t>(b.action.type)]}};
    if (b.action.screen) action["screen"] = b.action.screen.text;
    if (!b.action.message.empty()) action["message"] = b.action.message;
    out["action"] = std::move(action);
  }
  writeRoutes(out, b.routes);
}

ButtonData readButton(JsonReader& r, const Json& value, const JsonPlace& at) {
  ButtonData b;
  b.kind = {r.text(value, at, "kind")};
  b.caption = readText(r, value, at, "caption");
  b.accessibleName = readText(r, value, at, "accessibleName");
  b.description = readText(r, value, at, "description");
  if (const Json* own = r.member(value, "own"))
    b.own = readOwnLook(r, *own, {&at, "own", 0, false});
  b.disabled = r.boolean(value, at, "disabled", false);
  b.when = {r.text(value, at, "enabledWhen"), r.text(value, at, "currentWhen")};
  if (const Json* action = r.member(value, "action")) {
    const JsonPlace here{&at, "action", 0, false};
    if (!r.isObject(*action, here)) return b;
    b.action.type = static_cast<ActionType>(r.choice(*action, here, "do", kActions));
    b.action.screen = {r.text(*action, here, "screen")};
    b.action.message = r.text(*action, here, "message");
  }
  b.routes = readRoutes(r, value, at);
  return b;
}

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
  return c;
}

// Without what is in it.
Json itemJson(const Item& item, const Project& project) {
  Json out = Json::object();
  out.get_ref<Json::object_t&>().reserve(12);  // thousands of them are made when a file is read
  out["id"] = item.id.text;
  const auto* box = item.container();
  const auto* panel = std::get_if<PanelData>(&item.what);
  out["type"] = item.button() ? "button"
                : box         ? kFlows[static_cast<size_t>(box->flow)]
                              : (panel ? "panel" : "picture");
  if (!item.name.empty()) out["name"] = item.name;
  out["x"] = axisJson(item.place.x);
  out["y"] = axisJson(item.place.y);
  if (item.place.safe) out["toSafeArea"] = true;
  if (item.place.scaling) out["scaling"] = kScaling[static_cast<size_t>(*item.place.scaling)];
  if (item.columns != 1) out["cellColumns"] = item.columns;
  if (item.rows != 1) out["cellRows"] = item.rows;
  if (item.locked) out["locked"] = true;
  if (item.hidden) out["hidden"] = true;
  if (item.origin) out["origin"] = item.origin.text;
  if (const auto* button = item.button()) writeButton(out, *button, project);
  if (box) writeContainer(out, *box);
  if (panel) {
    out["fill"] = toJson(panel->fill);
    if (panel->radius != 0) out["radius"] = panel->radius;
    if (panel->blur != 0) out["blur"] = panel->blur;
  }
  if (const auto* picture = std::get_if<PictureData>(&item.what)) {
    out["file"] = picture->file;
    if (picture->fit != PictureFit::Cover) out["fit"] = kFits[static_cast<size_t>(picture->fit)];
    if (picture->focusX != 0.5) out["focusX"] = picture->focusX;
    if (picture->focusY != 0.5) out["focusY"] = picture->focusY;
  }
  return out;
}

PictureData readPicture(JsonReader& r, const Json& value, const JsonPlace& at) {
  PictureData p;
  p.file = r.text(value, at, "file");
  if (r.member(value, "fit")) p.fit = static_cast<PictureFit>(r.choice(value, at, "fit", kFits));
  p.focusX = r.number(value, at, "focusX", 0.5, 0, 1);
  p.focusY = r.number(value, at, "focusY", 0.5, 0, 1);
  return p;
}

// By the item's type.
void readWhat(JsonReader& r, const Json& value, const JsonPlace& at, Item& item) {
  const std::string type = r.text(value, at, "type");
  if (type == "button") {
    item.what = readButton(r, value, at);
  } else if (const auto flow = std::find(kFlows.begin(), kFlows.end(), type);
             flow != kFlows.end()) {
    item.what = readContainer(r, value, at, static_cast<Flow>(flow - kFlows.begin()));
  } else if (type == "panel") {
    PanelData panel;
    if (const Json* fill = r.member(value, "fill"))
      panel.fill = readFill(r, *fill, {&at, "fill", 0, false});
    panel.radius = r.number(value, at, "radius", 0, 0, 2000);
    panel.blur = r.number(value, at, "blur", 0, 0, kMostBlur);
    item.what = panel;
  } else if (type == "picture") {
    item.what = readPicture(r, value, at);
  } else {
    r.complain(
        {&at, "type", 0, false},
        "expected button, row, column, grid, ring, free, panel or picture, found “" + type + "”");
  }
}

// The item and all that is in it.
void readItems(JsonReader& r, const Json& value, const JsonPlace& at, const ItemId& parent,
               const ReadingScreens& with, std::vector<Shared<Item>>& out) {
  Item item;
  if (!r.isObject(value, at)) return;
  item.id = {r.id(value, at, "id")};
  item.name = r.text(value, at, "name");
  item.parent = with.format == 1 ? ItemId{r.text(value, at, "in")} : parent;
  item.place = {readAxis(r, value, at, "x"), readAxis(r, value, at, "y")};
  item.place.safe = r.boolean(value, at, "toSafeArea", false);
  if (r.member(value, "scaling"))
    item.place.scaling = static_cast<Scaling>(r.choice(value, at, "scaling", kScaling));
  item.columns = readCells(r, value, at, "cellColumns", 1);
  item.rows = readCells(r, value, at, "cellRows", 1);
  item.locked = r.boolean(value, at, "locked", false);
  item.hidden = r.boolean(value, at, "hidden", false);
  item.origin = {r.text(value, at, "origin")};
  readWhat(r, value, at, item);
  r.complain(at, whyNot(item));
  if (r.error()) return;
  with.ids.add(item.id.text, at);
  // Without its kind nobody knows which sorts of parts its own look is of.
  const ButtonData* button = item.button();
  const bool lost = button && !find(with.project, button->kind);
  const char* const elsewhere = with.format == 1 ? "in" : item.container() ? "items" : "id";
  item.extra = leftover(value, itemJson(item, with.project), {elsewhere, lost ? "own" : "id"});
  const bool holds = item.container() && with.format > 1;
  const ItemId id = item.id;
  out.emplace_back(std::move(item));
  if (!holds) return;
  r.each(value, at, "items", [&](const Json& child, const JsonPlace& here) {
    readItems(r, child, here, id, with, out);
  });
}

void write(Json& out, const char* key, const ScreenMotion& motion) {
  if (motion == ScreenMotion{}) return;
  out[key] = {{"form", kForms[static_cast<size_t>(motion.form)]},
              {"duration", motion.duration},
              {"easing", toText(motion.easing)}};
}

ScreenMotion readMotion(JsonReader& r, const Json& value, const JsonPlace& at, const char* key) {
  ScreenMotion out;
  const Json* motion = r.member(value, key);
  const JsonPlace here{&at, key, 0, false};
  if (!motion || !r.isObject(*motion, here)) return out;
  out.form = static_cast<ScreenMotionForm>(r.choice(*motion, here, "form", kForms));
  out.duration = r.milliseconds(*motion, here, "duration", out.duration);
  out.easing = readEasing(r, *motion, here);
  return out;
}

// {"x": 120} stands upright 120 px from the left, {"y": 64} lies 64 px from the top.
Guide readGuide(JsonReader& r, const Json& value, const JsonPlace& at) {
  Guide out;
  if (!r.isObject(value, at)) return out;
  out.upright = r.member(value, "x");
  if (out.upright == (r.member(value, "y") != nullptr))
    r.complain(at, "expected either x or y for a guide");
  out.at = r.number(value, at, out.upright ? "x" : "y", 0, -1e6, 1e6);
  return out;
}

Json screenHead(const Screen& screen) {
  Json out{{"id", screen.id.text}, {"name", screen.name}, {"backdrop", toJson(screen.backdrop)}};
  if (screen.dimBelow != 0) out["dimBelow"] = screen.dimBelow;
  if (screen.scaling != Scaling::None)
    out["scaling"] = kScaling[static_cast<size_t>(screen.scaling)];
  if (screen.drawnOn) out["drawnOn"] = screen.drawnOn.text;
  write(out, "comes", screen.comes);
  write(out, "goes", screen.goes);
  if (screen.waitUntilShown) out["waitUntilShown"] = true;
  if (!screen.passDisabled) out["stopsOnDisabled"] = true;
  if (screen.entry) out["entry"] = screen.entry.text;
  for (const Cluster& cluster : screen.clusters) out["clusters"].push_back(toJson(cluster));
  for (const Guide& guide : screen.guides)
    out["guides"].push_back({{guide.upright ? "x" : "y", guide.at}});
  if (screen.guidesLocked) out["guidesLocked"] = true;
  return out;
}

// What is in one holder: the items from `from` to `to`, each with its own.
Json itemsJson(const Screen& screen, const std::vector<Nesting>& nesting, size_t from, size_t to,
               const Project& project) {
  Json out = Json::array();
  for (size_t i = from; i < to; i = nesting[i].end) {
    Json item = itemJson(*screen.items[i], project);
    if (screen.items[i]->container() && nesting[i].end > i + 1)
      item["items"] = itemsJson(screen, nesting, i + 1, nesting[i].end, project);
    putBack(item, screen.items[i]->extra);
    out.push_back(std::move(item));
  }
  return out;
}

Json groupHead(const Group& group) {
  Json out{{"id", group.id.text}, {"name", group.name}};
  Json own = Json::array();
  if (group.ownCaptions) own.push_back("captions");
  if (group.ownTargets) own.push_back("targets");
  if (group.ownExits) own.push_back("exits");
  out["own"] = std::move(own);
  return out;
}

}  // namespace

Json toJson(const Group& group, const Project& project) {
  Json out = groupHead(group);
  const Screen& holds = group.holds;
  out["items"] = itemsJson(holds, nestingOf(holds), 0, holds.items.size(), project);
  putBack(out, group.extra);
  return out;
}

Group readGroup(JsonReader& r, const Json& value, const JsonPlace& at, const ReadingScreens& with) {
  Group group;
  if (!r.isObject(value, at)) return group;
  group.id = {r.id(value, at, "id")};
  group.name = r.text(value, at, "name");
  group.ownCaptions = group.ownTargets = group.ownExits = false;
  r.each(value, at, "own", [&](const Json& own, const JsonPlace& here) {
    if (own == "captions")
      group.ownCaptions = true;
    else if (own == "targets")
      group.ownTargets = true;
    else if (own == "exits")
      group.ownExits = true;
    else
      r.complain(here, "expected captions, targets or exits");
  });
  with.ids.add(group.id.text, at);
  r.each(value, at, "items", [&](const Json& item, const JsonPlace& here) {
    readItems(r, item, here, {}, with, group.holds.items);
  });
  group.extra = leftover(value, groupHead(group), {"items"});
  return group;
}

Json toJson(const Screen& screen, const Project& project) {
  Json out = screenHead(screen);
  out["items"] = itemsJson(screen, nestingOf(screen), 0, screen.items.size(), project);
  putBack(out, screen.extra);
  return out;
}

Screen readScreen(JsonReader& r, const Json& value, const JsonPlace& at,
                  const ReadingScreens& with) {
  Screen screen;
  if (!r.isObject(value, at)) return screen;
  screen.id = {r.id(value, at, "id")};
  screen.name = r.text(value, at, "name");
  if (const Json* fill = r.member(value, "backdrop"))
    screen.backdrop = readFill(r, *fill, {&at, "backdrop", 0, false});
  screen.dimBelow = r.number(value, at, "dimBelow", 0, 0, 1);
  screen.scaling = static_cast<Scaling>(r.choice(value, at, "scaling", kScaling));
  screen.drawnOn = {r.text(value, at, "drawnOn")};
  screen.comes = readMotion(r, value, at, "comes");
  screen.goes = readMotion(r, value, at, "goes");
  screen.waitUntilShown = r.boolean(value, at, "waitUntilShown", false);
  screen.passDisabled = !r.boolean(value, at, "stopsOnDisabled", false);
  screen.entry = {r.text(value, at, "entry")};
  with.ids.add(screen.id.text, at);
  r.each(value, at, "clusters", [&](const Json& cluster, const JsonPlace& here) {
    screen.clusters.push_back(readCluster(r, cluster, here));
    with.ids.add(screen.clusters.back().id.text, here);
  });
  r.each(value, at, "guides", [&](const Json& guide, const JsonPlace& here) {
    screen.guides.push_back(readGuide(r, guide, here));
  });
  screen.guidesLocked = r.boolean(value, at, "guidesLocked", false);
  r.each(value, at, "items", [&](const Json& item, const JsonPlace& here) {
    readItems(r, item, here, {}, with, screen.items);
  });
  if (with.format > 1) r.complain(at, whyNot(screen));
  screen.extra = leftover(value, screenHead(screen), {"items", "clusters"});
  return screen;
}

}  // namespace bristle
