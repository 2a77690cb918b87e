// Puts what was made into a folder, so that it can be done again and again: only what is otherwise
// is written, what was once handed over and is no more is removed, and nothing else is touched. The
// folder has a list of what is ours in it, with the SHA-256 of each file.
#pragma once
#include <optional>
#include <string>
#include <vector>

#include "runtime/document/basics.h"

namespace bristle {

struct MadeFile {
  std::string path;  // within the folder, with '/' between; ASCII, no "..", never the list itself
  std::string bytes;
};

inline constexpr const char* kHandedOver = "bristle-delivery.json";

struct HandedOver {
  std::vector<std::string> written, same, removed;
  // Ours once, changed by somebody since, and no longer made: they stay.
  std::vector<std::string> left;
};

// What it would do; changes nothing. Refused, with all that is in the way: files of others, and
// ours that somebody has changed, unless `over`; a list that cannot be read.
Result<HandedOver> wouldHandOver(const std::string& folder, const std::vector<MadeFile>& files,
                                 bool over = false);
// Does it: all of it, or where something fails nothing. The folder is made where it is not there.
// `basis` is kept with the list: what all of it was made of, in a word.
Result<HandedOver> handOver(const std::string& folder, const std::vector<MadeFile>& files,
                            bool over = false, const std::string& basis = {});
// Where what was handed over last was made of the same, and is there as it was: all of it as the
// same. Nothing need be made then.
std::optional<HandedOver> isThere(const std::string& folder, const std::string& basis);
// SHA-256, as hexadecimal digits.
std::string hashOfBytes(const std::string& bytes);

}  // namespace bristle
