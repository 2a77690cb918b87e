// Values that are so near to each other that one was meant, and typed ones that have a name.
#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <map>
#include <vector>

#include "core/edit/kind_edits.h"
#include "core/edit/machine_edits.h"
#include "core/findings/rules.h"
#include "core/findings/vision.h"
#include "runtime/machine/mix.h"

namespace bristle {
namespace {

// Of OKLab (Ottosson 2020): about what can just be told apart side by side.
constexpr double kNear = 0.02;
constexpr double kNearPx = 1;   // between two lengths that are not the same
constexpr double kNearMs = 20;  // between two durations, and at most a tenth of them

std::string hex(Colour c) {
  return c.a == 255 ? fmt::format("#{:02x}{:02x}{:02x}", c.r, c.g, c.b)
                    : fmt::format("#{:02x}{:02x}{:02x}{:02x}", c.r, c.g, c.b, c.a);
}
std::string wordsOf(Colour c) {
  return hex(c);
}
std::string wordsOf(double px) {
  return fmt::format("{:g} px", px);
}

template <class AnyKind, class Use>
void eachLook(AnyKind& kind, Use use) {
  use(kind.base);
  for (auto& [state, values] : kind.departures) use(values);
}

// What a property that is typed drifts in: its colour, or one of the lengths that are seen.
bool isLength(Prop prop) {
  return prop == Prop::Radius || prop == Prop::BorderWidth || prop == Prop::Size ||
         prop == Prop::Spacing || prop == Prop::Padding;
}
template <class T>
bool judged(const PropKey& key) {
  return std::is_same_v<T, Colour> || isLength(key.prop);
}

template <class T>
void put(LookValues& values, Prop prop, const T& go, const Value& keep) {
  std::vector<PropKey> keys;
  for (const auto& [key, value] : values)
    if (judged<T>(key) && (std::is_same_v<T, Colour> || key.prop == prop) && value == Value(go))
      keys.push_back(key);
  for (const PropKey& key : keys) values.set(key, keep);
}

Edit use(const Kind& kind, std::string name, std::function<void(LookValues&)> change) {
  return changeKind(kind.id, std::move(name), {},
                    [change = std::move(change)](Kind& k) { eachLook(k, change); });
}

template <class T>
struct Typed {
  Prop prop;  // of lengths: only those of one property are compared
  T value;
  int times = 1;
};

// Each once, and how often. Lengths of the base alone: between states a px may be meant.
template <class T>
std::vector<Typed<T>> typedIn(const Kind& kind) {
  std::vector<Typed<T>> out;
  eachLook(kind, [&](const LookValues& values) {
    if (std::is_same_v<T, double> && &values != &kind.base) return;
    for (const auto& [key, value] : values) {
      const auto* typed = std::get_if<T>(&value);
      if (!typed || !judged<T>(key)) continue;
      const Prop prop = std::is_same_v<T, Colour> ? Prop::Colour : key.prop;
      const auto at = std::find_if(out.begin(), out.end(), [&](const Typed<T>& each) {
        return each.prop == prop && each.value == *typed;
      });
      if (at != out.end())
        ++at->times;
      else
        out.push_back({prop, *typed});
    }
  });
  return out;
}

// How far apart two are that are nearly the same; nothing where they are not.
std::optional<double> near(Colour a, Colour b) {
  if (a.a != b.a || a.a == 0) return {};
  const double far = lookApart(a, b);
  return far < kNear ? std::optional(far) : std::nullopt;
}
std::optional<double> near(double a, double b) {
  const double far = std::abs(a - b);
  // Of small ones a px makes a difference, as of the width of a stroke.
  return far <= kNearPx && std::min(a, b) >= 8 ? std::optional(far) : std::nullopt;
}

template <class T>
void tellTwins(const Kind& kind, Findings& out) {
  const auto all = typedIn<T>(kind);
  for (size_t i = 0; i < all.size(); ++i)
    for (size_t j = i + 1; j < all.size(); ++j) {
      const auto far = near(all[i].value, all[j].value);
      if (!far || all[i].prop != all[j].prop) continue;
      const Typed<T>&keep = all[j].times > all[i].times ? all[j] : all[i],
            &go = all[j].times > all[i].times ? all[i] : all[j];
      constexpr bool kColour = std::is_same_v<T, Colour>;
      Finding f{.place = "kind “" + kind.name + "”",
                .reason = kColour ? fmt::format("{} and {} look the same: one of them was meant",
                                                wordsOf(keep.value), wordsOf(go.value))
                                  : fmt::format("{} is {} here and {} there: one of them was meant",
                                                labelOf(keep.prop), wordsOf(keep.value),
                                                wordsOf(go.value)),
                .kind = kind.id,
                .detail = wordsOf(all[i].value) + " " + wordsOf(all[j].value),
                .figure = *far,
                .limit = kColour ? kNear : kNearPx,
                .unit = kColour ? "ΔE" : "px"};
      if (!kColour) f.detail += fmt::format(" {}", int(keep.prop));
      f.mends = {use(kind, fmt::format("use {} for both", wordsOf(keep.value)),
                     [prop = go.prop, from = go.value, to = keep.value](LookValues& values) {
                       put(values, prop, from, to);
                     })};
      out.push_back(std::move(f));
    }
}

struct Known {
  const NamedValue* named;
  Colour colour;
};
std::vector<Known> namedColours(const Project& project) {
  const Naming names = naming(project);
  std::vector<Known> out;
  for (const NamedValue& named : *project.named) {
    const bool own =
        named.type == NamedType::Colour && !std::holds_alternative<NamedRef>(named.value);
    const Value* settled = own ? names.settle(named.id) : nullptr;
    if (const auto* colour = settled ? std::get_if<Colour>(settled) : nullptr)
      out.push_back({&named, *colour});
  }
  return out;
}

// The name that comes the nearest; null where none is near.
const NamedValue* nameOf(Colour colour, const std::vector<Known>& all) {
  const NamedValue* out = nullptr;
  double best = kNear;
  for (const Known& each : all) {
    const auto far = each.colour == colour ? std::optional(0.0) : near(colour, each.colour);
    if (!far || *far >= best) continue;
    best = *far;
    out = each.named;
  }
  return out;
}

// Typed colours that a name stands for, grouped by name.
void tellNamed(const Project& project, const Kind& kind, Findings& out) {
  struct Same {
    std::vector<Colour> colours;
    int times = 0;
  };
  const auto known = namedColours(project);
  std::map<const NamedValue*, Same> by;
  for (const auto& typed : typedIn<Colour>(kind))
    if (const NamedValue* name = nameOf(typed.value, known)) {
      by[name].colours.push_back(typed.value);
      by[name].times += typed.times;
    }
  for (const auto& [name, same] : by)
    out.push_back(
        {.rule = "has-a-name",
         .place = "kind “" + kind.name + "”",
         .reason = fmt::format("{} what is called “{}”",
                               same.times == 1 ? "a typed colour is"
                                               : fmt::format("{} typed colours are", same.times),
                               name->name),
         .kind = kind.id,
         .detail = name->id.text,
         .mends = {use(kind, fmt::format("use “{}”", name->name),
                       [colours = same.colours, id = name->id](LookValues& values) {
                         for (const Colour& go : colours)
                           put(values, Prop::Colour, go, NamedRef{id});
                       })}});
}

}  // namespace

// What is named is meant; only what is typed drifts.
void checkTwins(const Surroundings& around, const Kind& kind, Findings& out) {
  tellTwins<Colour>(kind, out);
  tellTwins<double>(kind, out);
  tellNamed(around.project, kind, out);
}

// Durations of one machine, transition by transition.
void checkTimingTwins(const Surroundings&, const Machine& machine, Findings& out) {
  std::map<Ms, int> all;
  const auto count = [&](const Timing& t) {
    if (!t.namedDuration && t.duration > 0 && t.easing.type != EasingType::Spring)
      ++all[t.duration];
  };
  count(machine.timing);
  for (const Transition& t : machine.transitions)
    if (t.timing) count(*t.timing);
  for (auto at = all.begin(); at != all.end() && std::next(at) != all.end(); ++at) {
    const auto next = std::next(at);
    const Ms far = next->first - at->first;
    if (double(far) > kNearMs || far * 10 > next->first) continue;
    const bool first = at->second >= next->second;
    const Ms keep = first ? at->first : next->first, go = first ? next->first : at->first;
    out.push_back(
        {.place = "machine “" + machine.name + "”",
         .reason = fmt::format("one transition takes {} ms, another {} ms: one of them was meant",
                               at->first, next->first),
         .machine = machine.id,
         .detail = fmt::format("{} {}", at->first, next->first),
         .figure = double(far),
         .limit = kNearMs,
         .unit = "ms",
         .mends = {changeMachine(machine.id, fmt::format("take {} ms for both", keep), {},
                                 [keep, go](Machine& m) {
                                   const auto put = [&](Timing& t) {
                                     if (!t.namedDuration && t.duration == go) t.duration = keep;
                                   };
                                   put(m.timing);
                                   for (Transition& t : m.transitions)
                                     if (t.timing) put(*t.timing);
                                 })}});
  }
}

}  // namespace bristle
