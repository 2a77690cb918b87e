// Strong ids: every thing in a project is named by a stable text that never changes when the thing
// is renamed, so that references survive. An id of one sort cannot be passed for another.
#pragma once
#include <functional>
#include <string>
#include <vector>

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
using LanguageId = Id<struct LanguageTag>;
using ClusterId = Id<struct ClusterTag>;
using GroupId = Id<struct GroupTag>;
using ListId = Id<struct ListTag>;
using ShortcutId = Id<struct ShortcutTag>;
using DeliveryId = Id<struct DeliveryTag>;

// The way to an item: the placed groups that it is in, from the outside in, then its own id. On a
// screen itself that is the item's id alone.
struct ItemPath {
  std::vector<ItemId> ids;

  ItemPath() = default;
  // An item on the screen itself; none for an empty id.
  ItemPath(ItemId id) {
    if (id) ids.push_back(std::move(id));
  }
  bool operator==(const ItemPath&) const = default;
  explicit operator bool() const { return !ids.empty(); }
  // The item where the path is no longer than that; an empty id where it leads into a group.
  ItemId alone() const { return ids.size() == 1 ? ids.front() : ItemId{}; }
  // "group/button", for people.
  std::string text() const {
    std::string out;
    for (const ItemId& id : ids) out += (out.empty() ? "" : "/") + id.text;
    return out;
  }
};

}  // namespace bristle

template <class Tag>
struct std::hash<bristle::Id<Tag>> {
  size_t operator()(const bristle::Id<Tag>& id) const noexcept {
    return std::hash<std::string>{}(id.text);
  }
};
