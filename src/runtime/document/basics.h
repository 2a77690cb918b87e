// Small types which all of the core shares: lengths, times, errors as values, shared parts.
#pragma once
#include <cstdint>
#include <memory>
#include <string>
#include <tl/expected.hpp>

namespace bristle {

using Px = double;        // a length in the screen's own pixels
using Ms = std::int64_t;  // a time or duration in whole milliseconds; whole, so replays are exact

// Why something could not be done. `place` says where (a file, a JSON pointer, a line), `reason`
// what was found and what was expected.
struct Error {
  std::string place;
  std::string reason;
  std::string text() const { return place.empty() ? reason : place + ": " + reason; }
};

template <class T>
using Result = tl::expected<T, Error>;

// An error to return: where, and what was found and expected.
inline tl::unexpected<Error> fail(std::string place, std::string reason) {
  return tl::unexpected<Error>(Error{std::move(place), std::move(reason)});
}

// An immutable part of a project, shared between all the projects of the history that have it in
// common. Comparing `same()` is how views find out cheaply what has changed.
template <class T>
class Shared {
 public:
  // A part of default values.
  Shared() : part_(std::make_shared<T>()) {}
  // Takes the value over.
  Shared(T value) : part_(std::make_shared<T>(std::move(value))) {}
  const T& operator*() const { return *part_; }
  const T* operator->() const { return part_.get(); }
  bool same(const Shared& other) const { return part_ == other.part_; }
  // A part of one's own to change: copied first when somebody else holds it too.
  T& edit() {
    if (part_.use_count() > 1) part_ = std::make_shared<T>(*part_);
    return *part_;
  }

 private:
  std::shared_ptr<T> part_;
};

// Members of a file's object that this version does not know, kept as JSON text so that a save
// does not lose them. Empty where there are none.
struct Extras {
  std::shared_ptr<const std::string> json;
  bool operator==(const Extras& other) const {
    return json == other.json || (json && other.json && *json == *other.json);
  }
};

}  // namespace bristle
