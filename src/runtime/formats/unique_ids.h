// Sees to it, while a file is read, that every id stands once in the whole of it, but for those of
// states and parts, which belong to their owner.
#pragma once
#include <string>
#include <unordered_map>

#include "runtime/formats/json_reader.h"

namespace bristle {

class UniqueIds {
 public:
  // The reader must outlive it.
  explicit UniqueIds(JsonReader& reader) : reader_(reader) { seen_.reserve(kUsual); }
  // Complains at `at` where the id was there already.
  void add(const std::string& id, const JsonPlace& at) {
    const auto [old, fresh] = seen_.try_emplace(id, "");
    if (!fresh)
      reader_.complain({&at, "id", 0, false},
                       "expected an id of its own; “" + id + "” is used already" +
                           (old->second.empty() ? "" : " at " + old->second));
  }

 private:
  static constexpr size_t kUsual = 10'000;
  JsonReader& reader_;
  std::unordered_map<std::string, std::string> seen_;
};

}  // namespace bristle
