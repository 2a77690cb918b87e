// Strong ids: every thing in a project is named by a stable text that never changes when the thing
// is renamed, so that references survive. An id of one sort cannot be passed for another.
#pragma once
#include <functional>
#include <string>

namespace bristle {

template <class Tag>
struct Id {
  std::string text;
  bool operator==(const Id&) const = default;
  bool operator<(const Id& other) const { return text < other.text; }
  // False for "no reference".
  explicit operator bool() const { return !text.empty(); }
};

using KindId = Id<struct KindTag>;
using PartId = Id<struct PartTag>;
using MachineId = Id<struct MachineTag>;
using StateId = Id<struct StateTag>;
using ScreenId = Id<struct ScreenTag>;
using ItemId = Id<struct ItemTag>;
using ValueId = Id<struct ValueTag>;
using NamedId = Id<struct NamedTag>;
using DisplayId = Id<struct DisplayTag>;

}  // namespace bristle

template <class Tag>
struct std::hash<bristle::Id<Tag>> {
  size_t operator()(const bristle::Id<Tag>& id) const noexcept {
    return std::hash<std::string>{}(id.text);
  }
};
