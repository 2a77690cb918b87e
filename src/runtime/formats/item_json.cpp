#include "runtime/formats/item_json.h"

#include <algorithm>
#include <array>

#include "runtime/document/whynot.h"
#include "runtime/formats/action_json.h"
#include "runtime/formats/container_json.h"
#include "runtime/formats/leftover.h"
#include "runtime/formats/look_json.h"
#include "runtime/formats/route_json.h"
#include "runtime/formats/text_json.h"

namespace bristle {
namespace {

constexpr std::array<std::string_view, 7> kPins{"none", "start",    "centre",  "end",
                                                "both", "fraction", "baseline"};
constexpr std::array<std::string_view, 5> kFlows{"row", "column", "grid", "ring", "free"};

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
  writeDoing(out, b);
  writeRoutes(out, b.routes);
}

Prompt readPrompt(JsonReader& r, const Json& value, const JsonPlace& at) {
  Prompt out;
  if (!r.isObject(value, at)) return out;
  out.does = static_cast<Does>(r.choice(value, at, "does", doesNames()));
  out.shortcut = {r.text(value, at, "shortcut")};
  if (out.does == Does::Shortcut && !out.shortcut)
    r.complain({&at, "shortcut", 0, false}, "expected a shortcut’s id");
  return out;
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
  b.actions = readActions(r, value, at);
  b.answers = {r.boolean(value, at, "answersCancel", false), {r.text(value, at, "answers")}};
  b.aside = r.boolean(value, at, "aside", false);
  if (const Json* prompt = r.member(value, "prompt"))
    b.prompt = readPrompt(r, *prompt, {&at, "prompt", 0, false});
  b.routes = readRoutes(r, value, at);
  return b;
}

PictureData readPicture(JsonReader& r, const Json& value, const JsonPlace& at) {
  PictureData p;
  p.file = r.text(value, at, "file");
  if (r.member(value, "fit")) p.fit = static_cast<PictureFit>(r.choice(value, at, "fit", kFits));
  p.focusX = r.number(value, at, "focusX", 0.5, 0, 1);
  p.focusY = r.number(value, at, "focusY", 0.5, 0, 1);
  p.turns = r.boolean(value, at, "turns", false);
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

}  // namespace

// Without what is in it.
void writeDoing(Json& out, const ButtonData& b) {
  if (b.disabled) out["disabled"] = true;
  if (!b.when.enabled.empty()) out["enabledWhen"] = b.when.enabled;
  if (!b.when.current.empty()) out["currentWhen"] = b.when.current;
  if (!b.actions.empty()) out["actions"] = toJson(b.actions);
  if (b.answers.cancel) out["answersCancel"] = true;
  if (b.answers.shortcut) out["answers"] = b.answers.shortcut.text;
  if (b.aside) out["aside"] = true;
  if (b.prompt) {
    Json prompt{{"does", doesNames()[static_cast<size_t>(b.prompt->does)]}};
    if (b.prompt->shortcut) prompt["shortcut"] = b.prompt->shortcut.text;
    out["prompt"] = prompt;
  }
}

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
  if (!item.shownWhen.empty()) out["shownWhen"] = item.shownWhen;
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
    if (picture->turns) out["turns"] = true;
  }
  return out;
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
  item.shownWhen = r.text(value, at, "shownWhen");
  item.origin = {r.text(value, at, "origin")};
  readWhat(r, value, at, item);
  r.complain(at, whyNot(item));
  if (r.error()) return;
  with.ids.add(item.id.text, at);
  // Without its kind nobody knows which sorts of parts its own look is of.
  const ButtonData* button = item.button();
  const bool lost = button && !find(with.project, button->kind);
  const char* const elsewhere = with.format == 1 ? "in" : item.container() ? "items" : "id";
  item.extra =
      leftover(value, itemJson(item, with.project), {elsewhere, lost ? "own" : "id", "action"});
  const bool holds = item.container() && with.format > 1;
  const ItemId id = item.id;
  out.emplace_back(std::move(item));
  if (!holds) return;
  r.each(value, at, "items", [&](const Json& child, const JsonPlace& here) {
    readItems(r, child, here, id, with, out);
  });
}

}  // namespace bristle
