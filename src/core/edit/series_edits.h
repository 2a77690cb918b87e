// A list of captions, or a table with a row for each button, becomes buttons in a container; given
// again, it brings them up to date.
#pragma once
#include <map>
#include <string>
#include <string_view>
#include <vector>

#include "core/edit/tree_edits.h"

namespace bristle {

struct SeriesRow {
  std::string key;  // by which it is found again: the button's name; empty: none
  Text caption;
  Text accessibleName, description;
  KindId kind;      // empty: the one that is picked
  ScreenId target;  // opened by it; empty: none is set
  bool hasTarget = false;
};

// A caption a line; or a table whose first row has known words: caption, key, kind, target, name,
// description, or a language’s tag or name for captions in it. Kinds, targets and languages are
// found by name. Control characters become spaces. Errors name line and column.
Result<std::vector<SeriesRow>> readSeries(const Project& project, std::string_view text);

struct SeriesDone {
  size_t added = 0, updated = 0, kept = 0;  // kept: buttons there that the list does not name
};
// What laying it into the container would do.
SeriesDone seriesWouldDo(const Screen& screen, const ItemId& container,
                         const std::vector<SeriesRow>& rows);
// Rows whose key is the name of a button in the container change that; the others come after what
// is there. What the list says nothing of stays.
Edit layInto(ScreenId screen, ItemId container, KindId kind, std::vector<SeriesRow> rows);
// Into a new row or column at x, y.
Edit layDown(ScreenId screen, KindId kind, std::vector<SeriesRow> rows, Flow flow, Px x, Px y);

}  // namespace bristle
