// Reading JSON with a memory of where one is: the first thing that is wrong is kept, with its JSON
// pointer (RFC 6901) and what was expected; after it all further reads give defaults.
#pragma once
#include <nlohmann/json.hpp>
#include <optional>
#include <span>
#include <string>
#include <string_view>

#include "runtime/document/basics.h"

namespace bristle {

using Json = nlohmann::ordered_json;

// Nothing deeper is read: no project nests so far, and what does is made to do harm.
inline constexpr int kDeepestJson = 160;

// Text to JSON. The error's place is "line L, column C".
Result<Json> parseJson(std::string_view text);

// One step of the way down; lives on the stack, so that the pointer costs nothing until needed.
struct JsonPlace {
  const JsonPlace* parent = nullptr;
  std::string_view key;
  size_t index = 0;
  bool isIndex = false;
  // The JSON pointer (RFC 6901); empty for the whole.
  std::string pointer() const;
};

class JsonReader {
 public:
  // Keeps the first error; later ones are ignored.
  void complain(const JsonPlace& at, const std::string& reason) {
    if (!error_) error_ = Error{at.pointer(), reason};
  }
  // What the project's own rules say of something that was read (runtime/document/whynot.h).
  void complain(const JsonPlace& at, const std::optional<Error>& why) {
    if (why) complain(at, why->place + ": " + why->reason);
  }
  const std::optional<Error>& error() const { return error_; }

  // Members of an object; a missing one gives the default, one of another type is an error.
  double number(const Json& object, const JsonPlace& at, std::string_view key, double otherwise,
                double least = -1e7, double most = 1e7);
  // A member of the sort, or what stands for one that is missing; complains of another sort.
  Ms milliseconds(const Json& object, const JsonPlace& at, std::string_view key, Ms otherwise);
  bool boolean(const Json& object, const JsonPlace& at, std::string_view key, bool otherwise);
  std::string text(const Json& object, const JsonPlace& at, std::string_view key,
                   std::string otherwise = {});
  // An id: a text of 1 to 100 characters; missing is an error.
  std::string id(const Json& object, const JsonPlace& at, std::string_view key);
  // Which of the words a text is; a missing one is the one at `otherwise`.
  size_t choice(const Json& object, const JsonPlace& at, std::string_view key,
                std::span<const std::string_view> words, size_t otherwise = 0);
  // The member as it is, null when missing.
  const Json* member(const Json& object, std::string_view key) const;
  // A number on its own, in range.
  double plainNumber(const Json& value, const JsonPlace& at, double least = -1e7,
                     double most = 1e7);
  // Complains where it is none.
  bool isObject(const Json& value, const JsonPlace& at);

  // Calls `read(element, place)` for each of an array's elements.
  template <class Read>
  void each(const Json& object, const JsonPlace& at, std::string_view key, Read read) {
    const Json* list = member(object, key);
    if (!list) return;
    const JsonPlace here{&at, key, 0, false};
    if (!list->is_array()) return complain(here, "expected a list, found " + sortOf(*list));
    size_t i = 0;
    for (const Json& element : *list) {
      read(element, JsonPlace{&here, {}, i++, true});
      if (error_) return;
    }
  }

  // “a text”, “a list”…: what was found, for a message.
  static std::string sortOf(const Json& value);

 private:
  std::optional<Error> error_;
};

}  // namespace bristle
