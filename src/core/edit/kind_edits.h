// Edits of kinds and their looks.
#pragma once
#include <optional>
#include <vector>

#include "core/edit/history.h"
#include "core/machine/templates.h"

namespace bristle {

// Which columns of the ledger an edit goes to: the base (nothing), or a state.
using Column = std::optional<StateId>;

// A new kind with a plate, a focus ring and a caption, and a machine of its own from the template
// "menu button". Its id is the freshest in the project after it.
Edit addKind(std::string name, Wins wins);
Edit renameKind(KindId kind, std::string name);
Edit duplicateKind(KindId kind);
// Refused while buttons use it.
Edit removeKind(KindId kind);
Edit resizeKind(KindId kind, Px width, Px height);
Edit changeKind(KindId kind, std::string name, std::string mergeKey,
                std::function<void(Kind&)> change);

// Sets one property in several columns at once. A departure that equals the base stays one.
Edit setLook(KindId kind, std::vector<Column> columns, PropKey key, Value value);
// Falls back to the base; in the base column, to the property's start value.
Edit clearLook(KindId kind, std::vector<Column> columns, PropKey key);

Edit addPart(KindId kind, PartType type, std::string name);
Edit removePart(KindId kind, PartId part);
Edit renamePart(KindId kind, PartId part, std::string name);

// Whether hover or focused wins: rewires the kind's machine from the template.
Edit rewire(KindId kind, Wins wins);

}  // namespace bristle
