// What a file's object holds beyond what this version knows, however deep: found by comparing the
// object with what we would write for the same thing, and put back when it is written again. So a
// save loses nothing that a newer version, another program or a person has added, and no reader
// needs a list of the members that it knows.
//
//   Item item = read(json);
//   item.extra = leftover(json, write(item));
//   …
//   Json out = write(item);   // without extras
//   putBack(out, item.extra);
#pragma once
#include <initializer_list>
#include <string_view>

#include "runtime/formats/json_reader.h"

namespace bristle {

// `ours` is what is written for what was read from `original`; members named in `skip` are left out
// (they keep their own). Elements of lists are told apart by what we write for them, then by place.
Extras leftover(const Json& original, const Json& ours,
                std::initializer_list<std::string_view> skip = {});

// Adds what was left over. What we write ourselves is never changed by it.
void putBack(Json& ours, const Extras& extras);

}  // namespace bristle
