// Edits of kinds and their looks.
#pragma once
#include <optional>
#include <vector>

#include "core/edit/history.h"
#include "core/edit/look_owner.h"
#include "core/edit/templates.h"

namespace bristle {

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

// One cell of the ledger; without a value it falls back: to the base, in the base column to the
// property's start value, in a button's own look to its kind.
struct CellChange {
  Column column;
  PropKey key;
  std::optional<Value> value;
};
// Any number of cells in one step. A named value must fit the property.
Edit changeCells(LookOwner owner, std::vector<CellChange> cells, std::string name,
                 std::string mergeKey = {});
// Sets one property in several columns at once. A departure that equals the base stays one.
Edit setLook(LookOwner owner, std::vector<Column> columns, PropKey key, Value value);
Edit setLook(KindId kind, std::vector<Column> columns, PropKey key, Value value);
Edit clearLook(KindId kind, std::vector<Column> columns, PropKey key);
// Makes a column look like another does.
Edit copyColumn(LookOwner owner, Column from, std::vector<Column> to);
// Puts the label's colour where the first solid shape's fill is, and the other way round.
Edit swapTextAndFill(KindId kind, std::vector<Column> columns);

// Parts are numbered in painting order; by −1 is one step towards the back.
Edit movePart(KindId kind, PartId part, int by);
// A part with all that the states say about it, to be put into any kind.
struct PartCopy {
  Part part;
  LookValues base;
  std::map<StateId, LookValues> departures;
  StateMotions motions;  // of that part alone
};
// The part with its looks and motions in all states; nothing where the kind has no such part.
std::optional<PartCopy> copyOfPart(const Kind& kind, const PartId& part);
// On top of the others, under a free name.
Edit pastePart(KindId kind, PartCopy copy);
Edit addPart(KindId kind, PartType type, std::string name);
Edit removePart(KindId kind, PartId part);
Edit renamePart(KindId kind, PartId part, std::string name);

// Whether hover or focused wins: rewires the kind's machine from the template.
Edit rewire(KindId kind, Wins wins);

}  // namespace bristle
