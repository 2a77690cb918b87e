#include "runtime/formats/screen_json.h"

#include <array>

#include "runtime/document/tree.h"
#include "runtime/document/whynot.h"
#include "runtime/formats/action_json.h"
#include "runtime/formats/binding_json.h"
#include "runtime/formats/item_json.h"
#include "runtime/formats/leftover.h"
#include "runtime/formats/look_json.h"
#include "runtime/formats/route_json.h"

namespace bristle {
namespace {

constexpr std::array<std::string_view, 3> kBesides{"blocks", "leaves", "through"};
constexpr std::array<std::string_view, 3> kBeneath{"goes on", "quieter", "stops"};

Json musicJson(const Music& music) {
  Json out{{"file", music.file}};
  if (music.volume != 1) out["volume"] = music.volume;
  if (music.beneath != Beneath::GoesOn)
    out["beneath"] = kBeneath[static_cast<size_t>(music.beneath)];
  return out;
}

Music readMusic(JsonReader& r, const Json& value, const JsonPlace& at) {
  Music out;
  if (!r.isObject(value, at)) return out;
  out.file = r.text(value, at, "file");
  out.volume = r.number(value, at, "volume", 1, 0, 1);
  if (r.member(value, "beneath"))
    out.beneath = static_cast<Beneath>(r.choice(value, at, "beneath", kBeneath));
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
  if (screen.blurBelow != 0) out["blurBelow"] = screen.blurBelow;
  if (screen.scaling != Scaling::None)
    out["scaling"] = kScaling[static_cast<size_t>(screen.scaling)];
  if (screen.drawnOn) out["drawnOn"] = screen.drawnOn.text;
  writeMotion(out, "comes", screen.comes);
  writeMotion(out, "goes", screen.goes);
  if (screen.waitUntilShown) out["waitUntilShown"] = true;
  if (screen.beside != Beside::Blocks) out["beside"] = kBesides[size_t(screen.beside)];
  if (screen.sleeps) out["sleeps"] = true;
  if (screen.idle != Idle{})
    out["idle"] = {{"after", screen.idle.after}, {"actions", toJson(screen.idle.actions)}};
  if (screen.music != Music{}) out["music"] = musicJson(screen.music);
  if (!screen.passDisabled) out["stopsOnDisabled"] = true;
  if (screen.entry) out["entry"] = screen.entry.text;
  for (const Cluster& cluster : screen.clusters) out["clusters"].push_back(toJson(cluster));
  for (const Binding& binding : screen.bindings) out["bindings"].push_back(toJson(binding));
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
  screen.blurBelow = r.number(value, at, "blurBelow", 0, 0, kMostBlur);
  screen.scaling = static_cast<Scaling>(r.choice(value, at, "scaling", kScaling));
  screen.drawnOn = {r.text(value, at, "drawnOn")};
  screen.comes = readMotion(r, value, at, "comes");
  screen.goes = readMotion(r, value, at, "goes");
  screen.waitUntilShown = r.boolean(value, at, "waitUntilShown", false);
  screen.beside = static_cast<Beside>(r.choice(value, at, "beside", kBesides));
  screen.sleeps = r.boolean(value, at, "sleeps", false);
  if (const Json* idle = r.member(value, "idle")) {
    const JsonPlace here{&at, "idle", 0, false};
    if (r.isObject(*idle, here))
      screen.idle = {r.milliseconds(*idle, here, "after", 0), readActions(r, *idle, here)};
  }
  if (const Json* music = r.member(value, "music"))
    screen.music = readMusic(r, *music, {&at, "music", 0, false});
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
  screen.bindings = readBindings(r, value, at);
  screen.guidesLocked = r.boolean(value, at, "guidesLocked", false);
  r.each(value, at, "items", [&](const Json& item, const JsonPlace& here) {
    readItems(r, item, here, {}, with, screen.items);
  });
  if (with.format > 1) r.complain(at, whyNot(screen));
  screen.extra = leftover(value, screenHead(screen), {"items", "clusters", "bindings"});
  return screen;
}

}  // namespace bristle
