#include "core/laws/law.h"

#include <algorithm>

namespace bristle {
namespace {

struct Words {
  std::string_view name, meaning;
};
constexpr std::array<Words, kLaws> kWords{{
    {"Rest", "Enabled and left alone, the button comes to a rest state."},
    {"Dead when disabled", "A disabled button never activates and shows a disabled state."},
    {"One for one",
     "A press that ends on the button activates it once; one called off never does."},
    {"Focus shows", "With focus by keys, the look differs from rest enough to be seen."},
    {"Press shows", "A press is seen before it ends, whatever it is done with."},
    {"No orphan", "Every state can be reached."},
    {"No dead end", "Every state can be left, unless it is marked as final."},
    {"One answer", "No two transitions of one rank answer the same event at once."},
    {"Settles", "Nothing goes on for ever without time passing."},
    {"Follows", "Once nothing moves, the state is the one that the signals call for."},
}};

}  // namespace

std::string_view nameOf(Law law) {
  return kWords[static_cast<size_t>(law) - 1].name;
}
std::string_view meaningOf(Law law) {
  return kWords[static_cast<size_t>(law) - 1].meaning;
}

namespace {
constexpr std::array<std::string_view, 18> kDeeds{
    "over", "out",    "press",   "accept",  "release", "cancel",  "lift",        "gone",   "focus",
    "blur", "enable", "disable", "message", "value",   "current", "not.current", "unlock", "wait"};
}

std::string_view nameOf(Deed deed) {
  return kDeeds[static_cast<size_t>(deed)];
}

std::optional<Deed> parseDeed(std::string_view name) {
  const auto at = std::find(kDeeds.begin(), kDeeds.end(), name);
  if (at == kDeeds.end()) return {};
  return static_cast<Deed>(at - kDeeds.begin());
}

std::string_view nameOf(LawVerdict verdict) {
  switch (verdict) {
    case LawVerdict::Kept:
      return "kept";
    case LawVerdict::Broken:
      return "broken";
    case LawVerdict::NotProved:
      return "not proved";
  }
  return {};
}

LawVerdict LawReport::verdict(Law law) const {
  const LawResult& result = of(law);
  if (!result.waived.empty()) return LawVerdict::Kept;
  if (result.broken) return LawVerdict::Broken;
  return whole ? LawVerdict::Kept : LawVerdict::NotProved;
}

bool LawReport::allKept() const {
  return whole && noneBroken();
}

bool LawReport::noneBroken() const {
  return std::all_of(laws.begin(), laws.end(),
                     [](const LawResult& r) { return !r.broken || !r.waived.empty(); });
}

}  // namespace bristle
