// The rules for what projects are made of: machines, kinds, screens, and the whole.
#include <fmt/format.h>

#include <cmath>
#include <set>
#include <unordered_map>
#include <unordered_set>

#include "runtime/document/tree.h"
#include "runtime/document/whynot.h"

namespace bristle {
namespace {

std::optional<Error> wrong(std::string place, const std::string& expected) {
  if (expected.empty()) return {};
  return Error{std::move(place), "expected " + expected};
}

bool isWithin(double value, double least, double most) {
  return std::isfinite(value) && value >= least && value <= most;
}

bool isTime(Ms value, Ms least = 0) {
  return value >= least && value <= kLongestTime;
}

std::string whyNot(const PropTimings& all) {
  std::set<Prop> seen;
  for (const PropTiming& each : all) {
    if (!seen.insert(each.prop).second) return "each property once";
    if (std::string why = bristle::whyNot(each.timing); !why.empty()) return why;
  }
  return {};
}

std::string whyNot(const Transition& t) {
  if (!isTime(t.after)) return fmt::format("a time from 0 to {} ms", kLongestTime);
  if (t.timing)
    if (std::string why = bristle::whyNot(*t.timing); !why.empty()) return why;
  for (const Effect& e : t.effects)
    if (!isWithin(e.volume, 0, 1)) return "a volume from 0 to 1";
  return whyNot(t.propTimings);
}

std::string whyNot(const LookValues& values, const Kind* kind) {
  for (const auto& [key, value] : values) {
    std::string why = bristle::whyNot(value);
    const PartType* type = kind ? partType(*kind, key.part) : nullptr;
    const PropertyInfo* info = type ? findProperty(*type, key.prop) : nullptr;
    if (why.empty() && info && !std::holds_alternative<NamedRef>(value))
      why = whyUnsuitable(*info, value);
    if (!why.empty()) return fmt::format("{} to be {}", labelOf(key.prop), why);
  }
  return {};
}

std::string whyNot(const MotionTrack& track) {
  double last = 0;
  for (const KeyFrame& f : track.frames) {
    if (!isWithin(f.at, 0, 1) || f.at < last) return "key frames in rising order from 0 to 1";
    last = f.at;
    if (!isWithin(f.add, -kFarthest, kFarthest)) return "what a key frame adds to be a number";
    if (std::string why = bristle::whyNot(f.easing); !why.empty()) return why;
  }
  return {};
}

std::string whyNot(const StateMotion& m) {
  if (!isTime(m.period, 1)) return fmt::format("a period from 1 to {} ms", kLongestTime);
  if (!isTime(m.delay)) return fmt::format("a delay from 0 to {} ms", kLongestTime);
  if (m.count < 0 || m.count > 1000) return "it to come 0 to 1000 times";
  for (const MotionTrack& track : m.tracks)
    if (std::string why = whyNot(track); !why.empty()) return why;
  return {};
}

std::string whyNot(const AxisPlace& a) {
  for (const Px place : {a.offset, a.farOffset})
    if (!isWithin(place, -1e6, 1e6)) return "places from −1000000 to 1000000 px";
  for (const Px size : {a.size, a.least, a.most})
    if (!isWithin(size, 0, 1e6)) return "sizes from 0 to 1000000 px";
  for (const double fraction : {a.fraction, a.share})
    if (!isWithin(fraction, 0, 1)) return "fractions from 0 to 1";
  return isWithin(a.rest, 0, 1000) ? "" : "shares of the rest from 0 to 1000";
}

std::string whyNot(const ContainerData& c) {
  for (const Px gap : {c.gap, c.lineGap})
    if (!isWithin(gap, -1000, 10000)) return "a gap from -1000 to 10000 px";
  if (!isWithin(c.padding, 0, 10000)) return "padding from 0 to 10000 px";
  if (c.columns < 1 || c.columns > kMostColumns)
    return fmt::format("1 to {} columns", kMostColumns);
  for (const Px size : {c.cellWidth, c.cellHeight})
    if (!isWithin(size, 1, 10000)) return "cells of 1 to 10000 px";
  if (!isWithin(c.start, -3600, 3600) || !isWithin(c.sweep, -360, 360))
    return "a start from −3600 to 3600 and a sweep from −360 to 360 degrees";
  return isWithin(c.radius, 0, 10000) ? "" : "a radius from 0 to 10000 px";
}

}  // namespace

std::optional<Error> whyNot(const Machine& m) {
  const std::string place = fmt::format("machine “{}”", m.name);
  std::set<StateId> ids;
  for (const State& state : m.states) {
    if (auto why = wrong(place, whyNotId(state.id.text))) return why;
    if (!ids.insert(state.id).second)
      return Error{place, fmt::format("two states have the id “{}”", state.id.text)};
  }
  for (const Ms time : {m.hold, m.repeatDelay, m.repeatInterval})
    if (!isTime(time)) return wrong(place, fmt::format("times from 0 to {} ms", kLongestTime));
  for (const Waiver& w : m.waivers)
    if (w.law < 1 || w.law > 10) return wrong(place, "a law from 1 to 10");
  if (auto why = wrong(place, whyNot(m.timing))) return why;
  if (auto why = wrong(place, whyNot(m.propTimings))) return why;
  for (size_t i = 0; i < m.transitions.size(); ++i)
    if (auto why = wrong(fmt::format("{}, transition {}", place, i + 1), whyNot(m.transitions[i])))
      return why;
  return {};
}

std::optional<Error> whyNot(const Kind& k) {
  const std::string place = fmt::format("kind “{}”", k.name);
  if (!isWithin(k.width, 1, 8000) || !isWithin(k.height, 1, 8000))
    return wrong(place, "a width and a height from 1 to 8000 px");
  if (!isWithin(k.captionPadding, 0, 1000)) return wrong(place, "padding from 0 to 1000 px");
  if (!isWithin(k.hitPadding, 0, 200)) return wrong(place, "a hit padding from 0 to 200 px");
  if (!isWithin(k.hitAlpha, 0, 1)) return wrong(place, "an opacity to hit from 0 to 1");
  std::set<PartId> ids;
  for (const Part& part : k.parts) {
    if (auto why = wrong(place, whyNotId(part.id.text))) return why;
    if (part.id.text == "whole" || !ids.insert(part.id).second)
      return Error{place, fmt::format("two parts have the id “{}”", part.id.text)};
  }
  if (auto why = wrong(place, whyNot(k.base, &k))) return why;
  for (const auto& [state, values] : k.departures)
    if (auto why = wrong(fmt::format("{}, state “{}”", place, state.text), whyNot(values, &k)))
      return why;
  for (const auto& [state, motion] : k.motions)
    if (auto why = wrong(fmt::format("{}, state “{}”", place, state.text), whyNot(motion)))
      return why;
  return {};
}

namespace {

std::string whyNot(const ItemPath& path) {
  for (const ItemId& id : path.ids)
    if (auto why = whyNotId(id.text); !why.empty()) return why;
  return path ? "" : "the way to a button";
}

std::string whyNot(const RouteTarget& target) {
  return target.cluster ? whyNotId(target.cluster.text) : whyNot(target.item);
}

}  // namespace

std::optional<Error> whyNot(const Item& item) {
  const std::string place = fmt::format("“{}”", displayName(item));
  for (const AxisPlace* axis : {&item.place.x, &item.place.y})
    if (auto why = wrong(place, whyNot(*axis))) return why;
  if (item.place.x.pin == Pin::Baseline) return wrong(place, "a baseline in y alone");
  for (const int cells : {item.columns, item.rows})
    if (cells < 1 || cells > kMostColumns)
      return wrong(place, fmt::format("1 to {} cells", kMostColumns));
  if (const auto* box = item.container())
    if (auto why = wrong(place, whyNot(*box))) return why;
  if (const auto* panel = std::get_if<PanelData>(&item.what)) {
    if (auto why = wrong(place, whyNot(panel->fill))) return why;
    if (!isWithin(panel->radius, 0, 2000)) return wrong(place, "corners from 0 to 2000 px");
    if (!isWithin(panel->blur, 0, kMostBlur))
      return wrong(place, fmt::format("a blur from 0 to {} px", kMostBlur));
  }
  if (const auto* picture = std::get_if<PictureData>(&item.what))
    if (!isWithin(picture->focusX, 0, 1) || !isWithin(picture->focusY, 0, 1))
      return wrong(place, "a focal point from 0 to 1 in x and y");
  if (const ButtonData* button = item.button()) {
    if (auto why = wrong(place, whyNot(button->own.base, nullptr))) return why;
    for (const auto& entry : button->own.departures)
      if (auto why = wrong(place, whyNot(entry.second, nullptr))) return why;
    std::string why;
    button->routes.each([&](const RouteRule& rule) {
      if (why.empty() && rule.type == RouteType::Pinned) why = whyNot(rule.target);
    });
    if (why.empty()) why = whyNot(button->actions);
    if (!why.empty()) return wrong(place, why);
  }
  return {};
}

namespace {

std::string whyNot(const std::vector<Binding>& bindings) {
  if (bindings.size() > kMostBindings) return fmt::format("at most {} bindings", kMostBindings);
  for (const Binding& binding : bindings) {
    if (placeOf(binding.sign) < 0)
      return fmt::format("a key or button that there is, not “{}”", toText(binding.sign));
    if (binding.does == Does::Shortcut && !binding.shortcut)
      return fmt::format("a shortcut for “{}”", toText(binding.sign));
  }
  return {};
}

}  // namespace

std::optional<Error> whyNot(const Screen& screen) {
  const std::string place = fmt::format("screen “{}”", screen.name);
  if (auto why = wrong(place + ", backdrop", whyNot(screen.backdrop))) return why;
  if (!isWithin(screen.dimBelow, 0, 1)) return wrong(place, "dimming from 0 to 1");
  if (!isWithin(screen.blurBelow, 0, kMostBlur))
    return wrong(place, fmt::format("a blur from 0 to {} px", kMostBlur));
  for (const ScreenMotion* motion : {&screen.comes, &screen.goes})
    if (auto why = wrong(place, whyNot(*motion))) return why;
  if (!isWithin(screen.music.volume, 0, 1)) return wrong(place, "a volume from 0 to 1");
  for (const Cluster& cluster : screen.clusters) {
    const std::string its = fmt::format("{}, cluster “{}”", place, cluster.name);
    for (const ItemPath& path : cluster.items)
      if (auto why = wrong(its, whyNot(path))) return why;
    const FocusRing& ring = cluster.ring;
    if (!isWithin(ring.width, 0, 40) || !isWithin(ring.outset, 0, 200) ||
        !isWithin(ring.radius, 0, 2000))
      return wrong(its, "a ring 0 to 40 px wide, 0 to 200 px out, with corners to 2000 px");
    for (const RouteRule& exit : cluster.exits) {
      if (exit.type == RouteType::Wrap)
        return wrong(its, "exits that are closed or lead somewhere");
      if (exit.type == RouteType::Pinned)
        if (auto why = wrong(its + ", exit", whyNot(exit.target))) return why;
    }
  }
  for (const Guide& guide : screen.guides)
    if (!isWithin(guide.at, -1e6, 1e6)) return wrong(place, "guides from −1000000 to 1000000 px");
  if (auto why = wrong(place, whyNot(screen.bindings))) return why;
  return wrong(place, whyNoTree(screen));
}

std::optional<Error> whyNot(const Delivery& d) {
  const std::string place = "delivery “" + d.name + "”";
  constexpr size_t kLongestPath = 4000;
  if (d.folder.empty() || d.folder.size() > kLongestPath || d.folder.find('\0') != d.folder.npos)
    return Error{place, "expected a folder that it goes to"};
  for (const Output& output : d.outputs) {
    if (!isWithin(output.scale, 0.25, 4)) return Error{place, "expected a scale from 0.25 to 4"};
    if (!isWithin(output.frames, 0, kMostFrames))
      return Error{place, "expected 0 to 120 pictures a second"};
    if (output.since.size() > kLongestPath || output.since.find('\0') != std::string::npos)
      return Error{place, "expected the file of an earlier version"};
  }
  return {};
}

namespace {

// All ids of the project that must differ from one another.
template <class Use>
void eachId(const Project& p, Use use) {
  for (const Display& d : p.displays) use(d.id.text);
  for (const Language& l : p.languages) use(l.id.text);
  for (const ProjectValue& v : p.values) use(v.id.text);
  for (const NamedValue& n : *p.named) use(n.id.text);
  for (const auto& m : p.machines) use(m->id.text);
  for (const auto& k : p.kinds) use(k->id.text);
  for (const auto& s : p.screens) {
    use(s->id.text);
    for (const Cluster& cluster : s->clusters) use(cluster.id.text);
    for (const auto& item : s->items) use(item->id.text);
  }
  for (const auto& g : p.groups) {
    use(g->id.text);
    for (const auto& item : g->holds.items) use(item->id.text);
  }
  for (const ScreenList& list : p.lists) use(list.id.text);
  for (const Shortcut& shortcut : p.shortcuts) use(shortcut.id.text);
  for (const Delivery& delivery : p.deliveries) use(delivery.id.text);
}

bool sameIds(const Project& a, const Project& b) {
  std::vector<const std::string*> ids;
  eachId(a, [&](const std::string& id) { ids.push_back(&id); });
  size_t i = 0;
  bool same = true;
  eachId(b, [&](const std::string& id) {
    same = same && i < ids.size() && (ids[i] == &id || *ids[i] == id);
    ++i;
  });
  return same && i == ids.size();
}

std::optional<Error> whyNotIds(const Project& p) {
  std::unordered_set<std::string_view> seen;
  size_t count = 0;
  eachId(p, [&](const std::string&) { ++count; });
  seen.reserve(count);
  std::optional<Error> out;
  eachId(p, [&](const std::string& id) {
    if (out) return;
    if (auto why = wrong(p.name, whyNotId(id)))
      out = why;
    else if (!seen.insert(id).second)
      out = Error{p.name, fmt::format("the id “{}” is used twice", id)};
  });
  return out;
}

template <class Part>
std::optional<Error> whyNotParts(const std::vector<Shared<Part>>& now,
                                 const std::vector<Shared<Part>>* before) {
  for (size_t i = 0; i < now.size(); ++i) {
    if (before && i < before->size() && now[i].same((*before)[i])) continue;
    if (auto why = whyNot(*now[i])) return why;
    if constexpr (std::is_same_v<Part, Screen>) {
      const auto* items = before && i < before->size() ? &(*before)[i]->items : nullptr;
      if (auto why = whyNotParts(now[i]->items, items)) return why;
    }
  }
  return {};
}

}  // namespace

namespace {

// A button's own look must suit the parts that its kind has now: a kind that was replaced may have
// others under the same ids.
std::optional<Error> whyNotOwnLooks(const Project& p, const Project* before) {
  const auto sameKind = [&](const Kind* kind) {
    return before && kind && find(*before, kind->id) == kind;
  };
  for (const auto& screen : p.screens) {
    const Screen* old = before ? find(*before, screen->id) : nullptr;
    for (size_t i = 0; i < screen->items.size(); ++i) {
      const auto& item = screen->items[i];
      const ButtonData* button = item->button();
      if (!button || button->own.empty()) continue;
      const Kind* kind = find(p, button->kind);
      const bool sameItem = old && i < old->items.size() && old->items[i].same(item);
      if (sameItem && sameKind(kind)) continue;
      const std::string place = fmt::format("“{}” alone", displayName(*item));
      if (auto why = wrong(place, whyNot(button->own.base, kind))) return why;
      for (const auto& entry : button->own.departures)
        if (auto why = wrong(place, whyNot(entry.second, kind))) return why;
    }
  }
  return {};
}

}  // namespace

namespace {

// Which groups have copies in one.
std::vector<GroupId> heldBy(const Group& group) {
  std::vector<GroupId> out;
  for (size_t i = 1; i < group.holds.items.size(); ++i)
    if (const auto* box = group.holds.items[i]->container(); box && box->group)
      out.push_back(box->group);
  return out;
}

// Whether one is reached from itself; each group is gone into once.
bool holdsItself(const Project& p, const Group& group, const GroupId& wanted,
                 std::set<GroupId>& seen) {
  for (const GroupId& id : heldBy(group)) {
    if (id == wanted) return true;
    const Group* in = find(p, id);
    if (in && seen.insert(id).second && holdsItself(p, *in, wanted, seen)) return true;
  }
  return false;
}

}  // namespace

std::optional<Error> whyNotGroups(const Project& p) {
  for (const auto& group : p.groups) {
    const std::string place = fmt::format("group “{}”", group->name);
    if (auto why = whyNot(group->holds)) return Error{place, why->reason};
    const auto& items = group->holds.items;
    if (items.empty() || !items[0]->container() || nestingOf(group->holds)[0].end != items.size())
      return wrong(place, "one container that holds all of the group");
    if (auto why = whyNotParts(items, static_cast<const std::vector<Shared<Item>>*>(nullptr)))
      return why;
    std::set<GroupId> seen;
    if (holdsItself(p, *group, group->id, seen))
      return wrong(place, "no copy of itself in it, nor in what is in it");
  }
  return {};
}

namespace {

bool sameGroups(const Project& p, const Project* before) {
  return before &&
         std::equal(p.groups.begin(), p.groups.end(), before->groups.begin(), before->groups.end(),
                    [](const auto& a, const auto& b) { return a.same(b); });
}

}  // namespace

std::optional<Error> whyNot(const Project& p, const Project* before) {
  if (p.displays.empty()) return Error{p.name, "expected at least one display"};
  for (const Display& d : p.displays)
    if (auto why = whyNot(d)) return why;
  if (p.languages.empty()) return Error{p.name, "expected at least one language"};
  if (auto why = whyNot(p.settings)) return why;
  for (const ProjectValue& v : p.values)
    if (auto why = whyNot(v)) return why;
  for (const Shortcut& s : p.shortcuts)
    if (auto why = wrong(fmt::format("shortcut “{}”", s.name), whyNot(s.actions))) return why;
  if (auto why = wrong(p.name, whyNot(p.bindings))) return why;
  for (const Delivery& d : p.deliveries)
    if (auto why = whyNot(d)) return why;
  if (!before || !p.named.same(before->named)) {
    std::set<std::string_view> names;
    for (const NamedValue& n : *p.named) {
      if (auto why = whyNot(n)) return why;
      if (!names.insert(n.name).second)
        return Error{p.name, fmt::format("two named values are called “{}”", n.name)};
    }
  }
  if (auto why = whyNotParts(p.machines, before ? &before->machines : nullptr)) return why;
  if (auto why = whyNotParts(p.kinds, before ? &before->kinds : nullptr)) return why;
  if (auto why = whyNotParts(p.screens, before ? &before->screens : nullptr)) return why;
  if (!sameGroups(p, before))
    if (auto why = whyNotGroups(p)) return why;
  if (auto why = whyNotOwnLooks(p, before)) return why;
  if (before && sameIds(p, *before)) return {};
  return whyNotIds(p);
}

}  // namespace bristle
