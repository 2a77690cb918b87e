// JSON Lines: a JSON object on each line, empty lines between them.
#pragma once
#include <string>

#include "runtime/formats/json_reader.h"

namespace bristle {

// Calls `read(reader, object, number of the line)` for each line; it gives back a reason, or
// nothing. The error's place is "line N", and the JSON pointer in it.
template <class Read>
Result<void> eachJsonLine(std::string_view text, Read read) {
  for (int number = 1; !text.empty(); ++number) {
    const auto end = std::min(text.find('\n'), text.size());
    const auto line = text.substr(0, end);
    text.remove_prefix(std::min(end + 1, text.size()));
    if (line.find_first_not_of(" \r\t") == line.npos) continue;
    const std::string place = "line " + std::to_string(number);
    const auto json = parseJson(line);
    if (!json) return fail(place, json.error().reason);
    JsonReader r;
    if (!r.isObject(*json, {})) return fail(place, r.error()->reason);
    const std::string reason = read(r, *json, number);
    if (r.error())
      return fail(place + (r.error()->place.empty() ? "" : ", " + r.error()->place),
                  r.error()->reason);
    if (!reason.empty()) return fail(place, reason);
  }
  return {};
}

}  // namespace bristle
