// Containers in the project file: how they keep what is in them in order.
#pragma once
#include "runtime/document/screen.h"
#include "runtime/formats/json_reader.h"

namespace bristle {

// Beside the members that every item has. All that is as it is when nothing is said is left out.
void writeContainer(Json& out, const ContainerData& container);
ContainerData readContainer(JsonReader& reader, const Json& value, const JsonPlace& at, Flow flow);
// How many cells of a grid, 1–kMostColumns.
int readCells(JsonReader& reader, const Json& value, const JsonPlace& at, std::string_view key,
              int otherwise);

}  // namespace bristle
