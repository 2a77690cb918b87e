#include "runtime/formats/leftover.h"

#include <algorithm>
#include <set>

namespace bristle {
namespace {

// A leftover is an object of up to three members, the names of which are nowhere else in use:
// kAdded: members that we do not write, as they are; kWithin: leftovers of members that we write;
// kElements: of a list's elements, as [place, what we write for it, leftover].
constexpr const char* kAdded = "+";
constexpr const char* kWithin = ">";
constexpr const char* kElements = "#";

// Some things are written short where nothing else needs to be said; this is the same at length.
Json atLength(const Json& ours) {
  if (ours.is_object()) return ours;
  if (ours.is_number()) return {{"offset", ours}};
  if (ours.is_string() && ours.get_ref<const std::string&>().starts_with('#'))
    return {{"colour", ours}};
  return Json::object();
}

Json find(const Json& original, const Json& ours, std::initializer_list<std::string_view> skip);

Json findInList(const Json& original, const Json& ours) {
  Json out;
  for (size_t i = 0; i < std::min(original.size(), ours.size()); ++i)
    if (Json more = find(original[i], ours[i], {}); !more.is_null())
      out[kElements].push_back({i, ours[i], std::move(more)});
  return out;
}

Json find(const Json& original, const Json& ours, std::initializer_list<std::string_view> skip) {
  if (original == ours) return {};  // nearly always
  if (original.is_array() && ours.is_array()) return findInList(original, ours);
  const auto* members = original.get_ptr<const Json::object_t*>();
  Json out;
  if (!members || ours.is_array()) return out;
  const Json longer = ours.is_object() ? Json() : atLength(ours);
  const Json& known = ours.is_object() ? ours : longer;
  for (const auto& [name, value] : *members) {
    if (std::find(skip.begin(), skip.end(), name) != skip.end()) continue;
    const auto at = known.find(name);
    if (at == known.end())
      out[kAdded][name] = value;
    else if (Json more = find(value, *at, {}); !more.is_null())
      out[kWithin][name] = std::move(more);
  }
  return out;
}

void put(Json& ours, const Json& more);

void putIntoList(Json& list, const Json& elements) {
  const Json plain = list;
  std::set<size_t> used;
  for (const Json& element : elements) {
    const auto place = element[0].get<size_t>();
    size_t at = place;
    // The same element, wherever it has gone; else the one that has taken its place.
    if (at >= plain.size() || plain[at] != element[1]) {
      const auto same = std::find(plain.begin(), plain.end(), element[1]);
      if (same != plain.end()) at = static_cast<size_t>(same - plain.begin());
    }
    if (at < list.size() && used.insert(at).second) put(list[at], element[2]);
  }
}

void put(Json& ours, const Json& more) {
  if (ours.is_array()) {
    if (more.contains(kElements)) putIntoList(ours, more[kElements]);
    return;
  }
  if (!more.contains(kAdded) && !more.contains(kWithin)) return;
  Json full = atLength(ours);
  if (more.contains(kWithin))
    for (const auto& [name, value] : more[kWithin].items())
      if (full.contains(name)) put(full[name], value);
  if (more.contains(kAdded))
    for (const auto& [name, value] : more[kAdded].items())
      if (!full.contains(name)) full[name] = value;
  ours = std::move(full);
}

}  // namespace

Extras leftover(const Json& original, const Json& ours,
                std::initializer_list<std::string_view> skip) {
  const Json found = find(original, ours, skip);
  if (found.is_null()) return {};
  return {std::make_shared<const std::string>(found.dump())};
}

void putBack(Json& ours, const Extras& extras) {
  if (extras.json) put(ours, Json::parse(*extras.json, nullptr, false));
}

}  // namespace bristle
