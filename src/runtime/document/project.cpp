#include "runtime/document/project.h"

#include <algorithm>
#include <charconv>
#include <cmath>

namespace bristle {
namespace {

template <class T, class AnyId>
const T* findShared(const std::vector<Shared<T>>& parts, const AnyId& id) {
  for (const auto& part : parts)
    if (part->id == id) return &*part;
  return nullptr;
}

template <class T, class AnyId>
T* editShared(std::vector<Shared<T>>& parts, const AnyId& id) {
  for (auto& part : parts)
    if (part->id == id) return &part.edit();
  return nullptr;
}

template <class T, class AnyId>
const T* findPlain(const std::vector<T>& parts, const AnyId& id) {
  for (const auto& part : parts)
    if (part.id == id) return &part;
  return nullptr;
}

template <class T, class Same>
bool equalShared(const std::vector<Shared<T>>& a, const std::vector<Shared<T>>& b, Same same) {
  return std::equal(a.begin(), a.end(), b.begin(), b.end(),
                    [&](const auto& x, const auto& y) { return x.same(y) || same(*x, *y); });
}

bool equalScreens(const Screen& a, const Screen& b) {
  return a.id == b.id && a.name == b.name && a.backdrop == b.backdrop && a.dimBelow == b.dimBelow &&
         a.passDisabled == b.passDisabled && a.entry == b.entry && a.clusters == b.clusters &&
         a.guides == b.guides && a.guidesLocked == b.guidesLocked && a.comes == b.comes &&
         a.goes == b.goes && a.scaling == b.scaling && a.drawnOn == b.drawnOn &&
         a.waitUntilShown == b.waitUntilShown && a.sleeps == b.sleeps && a.beside == b.beside &&
         a.music == b.music && a.idle == b.idle && a.blurBelow == b.blurBelow &&
         a.bindings == b.bindings && a.extra == b.extra &&
         equalShared(a.items, b.items, std::equal_to<Item>());
}

bool equalGroups(const Group& a, const Group& b) {
  return a.id == b.id && a.name == b.name && a.ownCaptions == b.ownCaptions &&
         a.ownTargets == b.ownTargets && a.ownExits == b.ownExits &&
         equalScreens(a.holds, b.holds) && a.extra == b.extra;
}

}  // namespace

const Machine* find(const Project& p, const MachineId& id) {
  return findShared(p.machines, id);
}
const Kind* find(const Project& p, const KindId& id) {
  return findShared(p.kinds, id);
}
double within(const ProjectValue& value, double number) {
  if (!std::isfinite(number)) return value.start;
  if (value.sort == ValueSort::Flag) return number == 0 ? 0 : 1;
  if (value.sort == ValueSort::Choice) {
    const double last = value.options.empty() ? 0 : static_cast<double>(value.options.size() - 1);
    return std::clamp(std::round(number), 0.0, last);
  }
  if (value.most) number = std::min(number, *value.most);
  return value.least ? std::max(number, *value.least) : number;
}

const Screen* find(const Project& p, const ScreenId& id) {
  return findShared(p.screens, id);
}
const ProjectValue* find(const Project& p, const ValueId& id) {
  return findPlain(p.values, id);
}
const Display* find(const Project& p, const DisplayId& id) {
  return findPlain(p.displays, id);
}
const Group* find(const Project& p, const GroupId& id) {
  return findShared(p.groups, id);
}
const ScreenList* find(const Project& p, const ListId& id) {
  return findPlain(p.lists, id);
}
const Shortcut* find(const Project& p, const ShortcutId& id) {
  return findPlain(p.shortcuts, id);
}
const Delivery* find(const Project& p, const DeliveryId& id) {
  return findPlain(p.deliveries, id);
}

namespace {

const Binding* firstOf(const std::vector<Binding>& bindings, const Sign& sign) {
  const auto at = std::find_if(bindings.begin(), bindings.end(),
                               [&](const Binding& binding) { return binding.sign == sign; });
  return at == bindings.end() ? nullptr : &*at;
}

}  // namespace

const Binding* bindingOf(const Project& p, const Screen* screen, const Sign& sign) {
  const Binding* own = screen ? firstOf(screen->bindings, sign) : nullptr;
  const Binding* found = own ? own : firstOf(p.bindings, sign);
  if (!found && sign.shift) {
    // One that nothing is bound with does not matter.
    Sign plain = sign;
    plain.shift = false;
    return bindingOf(p, screen, plain);
  }
  return found && found->does != Does::Nothing ? found : nullptr;
}

std::vector<Sign> signsFor(const Project& p, const Screen* screen, Sign::Of of, Does does,
                           const ShortcutId& shortcut) {
  std::vector<Sign> out;
  const auto add = [&](const std::vector<Binding>& bindings) {
    for (const Binding& each : bindings) {
      if (each.sign.of != of || each.does != does) continue;
      if (does == Does::Shortcut && each.shortcut != shortcut) continue;
      // Where it is bound twice, or otherwise on the screen, another one counts.
      if (bindingOf(p, screen, each.sign) == &each) out.push_back(each.sign);
    }
  };
  if (screen) add(screen->bindings);
  add(p.bindings);
  return out;
}

const Language& languageOf(const Project& p, const LanguageId& id) {
  static const Language kNone{{}, "und", "", false, {}, {}};
  if (const Language* known = findPlain(p.languages, id)) return *known;
  return p.languages.empty() ? kNone : p.languages.front();
}

Result<Showing> showingOf(const Project& p, const DisplayId& display, const LanguageId& language) {
  if (p.displays.empty()) return fail(p.name, "it has no display");
  const Display* on = display ? find(p, display) : &p.displays.front();
  if (!on) return fail(p.name, "no display “" + display.text + "”");
  if (language && !findPlain(p.languages, language))
    return fail(p.name, "no language “" + language.text + "”");
  return Showing{*on, languageOf(p, language).id};
}

bool isStill(const Project& project, const Item& item) {
  const ButtonData* button = item.button();
  const Kind* kind = button ? find(project, button->kind) : nullptr;
  return kind && kind->still;
}

const NamedValue* find(const Project& p, const NamedId& id) {
  return findPlain(*p.named, id);
}

Machine* edit(Project& p, const MachineId& id) {
  return editShared(p.machines, id);
}
Kind* edit(Project& p, const KindId& id) {
  return editShared(p.kinds, id);
}
Screen* edit(Project& p, const ScreenId& id) {
  return editShared(p.screens, id);
}
Group* edit(Project& p, const GroupId& id) {
  return editShared(p.groups, id);
}
Item* edit(Screen& screen, const ItemId& id) {
  return editShared(screen.items, id);
}

std::int64_t highestId(const Project& p) {
  std::int64_t highest = p.lastId;
  const auto count = [&](const std::string& id) {
    const auto digits = id.find_last_not_of("0123456789") + 1;
    std::int64_t number = 0;
    const auto [end, bad] = std::from_chars(id.data() + digits, id.data() + id.size(), number);
    // Nobody gives out that many; leaving room to go on.
    if (bad == std::errc() && number < std::int64_t{1} << 62) highest = std::max(highest, number);
  };
  for (const Display& d : p.displays) count(d.id.text);
  for (const Language& l : p.languages) count(l.id.text);
  for (const ProjectValue& v : p.values) count(v.id.text);
  for (const NamedValue& n : *p.named) count(n.id.text);
  for (const auto& m : p.machines) {
    count(m->id.text);
    for (const State& s : m->states) count(s.id.text);
  }
  for (const auto& k : p.kinds) {
    count(k->id.text);
    for (const Part& part : k->parts) count(part.id.text);
  }
  for (const auto& s : p.screens) {
    count(s->id.text);
    for (const Cluster& cluster : s->clusters) count(cluster.id.text);
    for (const auto& item : s->items) count(item->id.text);
  }
  for (const auto& g : p.groups) {
    count(g->id.text);
    for (const auto& item : g->holds.items) count(item->id.text);
  }
  for (const ScreenList& list : p.lists) count(list.id.text);
  for (const Shortcut& shortcut : p.shortcuts) count(shortcut.id.text);
  for (const Delivery& delivery : p.deliveries) count(delivery.id.text);
  return highest;
}

std::string freeName(const std::vector<std::string>& taken, const std::string& wanted) {
  std::string name = wanted;
  for (int n = 2; std::find(taken.begin(), taken.end(), name) != taken.end(); ++n)
    name = wanted + " " + std::to_string(n);
  return name;
}

Project emptyProject() {
  Project project;
  project.name = "Untitled";
  project.displays = {{{"d1"}, "Television 16:9", 1920, 1080, 1, 54, {}},
                      {{"d2"}, "Handheld 16:10", 1280, 800, 2.0 / 3, 0, {}}};
  project.languages = {{{"l3"}, "en", "English", false, {}, {}}};
  project.lastId = 3;
  return project;
}

bool equal(const Project& a, const Project& b) {
  return a.name == b.name && a.settings == b.settings && a.displays == b.displays &&
         a.languages == b.languages && a.values == b.values &&
         (a.named.same(b.named) || *a.named == *b.named) && a.foreignTokens == b.foreignTokens &&
         a.first == b.first && a.extra == b.extra &&
         equalShared(a.machines, b.machines, std::equal_to<Machine>()) &&
         equalShared(a.kinds, b.kinds, std::equal_to<Kind>()) &&
         equalShared(a.screens, b.screens, equalScreens) &&
         equalShared(a.groups, b.groups, equalGroups) && a.lists == b.lists &&
         a.accepted == b.accepted && a.shortcuts == b.shortcuts && a.bindings == b.bindings &&
         a.deliveries == b.deliveries;
}

}  // namespace bristle
