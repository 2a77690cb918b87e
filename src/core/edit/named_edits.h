// Edits of named values, and where they are used.
#pragma once
#include <string>
#include <vector>

#include "core/edit/kind_edits.h"

namespace bristle {

// The new one is the last of the list.
Edit addNamed(NamedType type, std::string name, Value value);
Edit renameNamed(NamedId id, std::string name);
// In the light or the dark set; no value in the dark set: it follows the light one. An alias must
// be of the same type and not lead back.
Edit setNamed(NamedId id, bool dark, std::optional<Value> value);
Edit describeNamed(NamedId id, std::string description);
// Everything that used it uses `replacement` then, or, without one, holds what it stood for.
Edit removeNamed(NamedId id, NamedId replacement);
Edit moveNamed(NamedId id, int by);
// The value in a cell becomes a named value, and the cell uses it. With `everywhere`, so do all
// other cells of the project that hold the same.
Edit nameCell(LookOwner owner, Column column, PropKey key, std::string name, bool everywhere);

// Takes values from elsewhere, by name: those that are there already get the new value, others are
// added. References within `values` are by their ids there.
Edit takeNamed(NamedValues values, Extras foreign);

// One place where a name is used, in the words of the project: "Hatch slab · Plate · Fill · hover".
struct NamedUse {
  KindId kind;
  std::string place;
};
// Everything that the value is used by: looks, timings, other names. In document order.
std::vector<NamedUse> usesOf(const Project& project, const NamedId& id);

}  // namespace bristle
