// What was drawn on the scope, as a take of a kind alone: JSON Lines like a take of a menu, with
// the kind in its header, and what happens to the button instead of what devices send.
//
//   {"take":1,"name":"drag off","kind":"k3","length":2000}
//   {"at":200,"do":"over"}
//   {"at":200,"expect":"state normal → hover"}
#pragma once
#include <string>
#include <string_view>
#include <vector>

#include "core/laws/score.h"
#include "runtime/document/project.h"
#include "runtime/session/take.h"

namespace bristle {

struct KeptScore {
  std::string name;
  KindId kind;
  Score score;
  std::vector<TakeStep> expected;  // Expectations only
};

// Whether it is such a take, by its first line.
bool isKeptScore(std::string_view text);
// Messages and values are named, so the project's kind has to be there. The error's place is the
// line.
Result<KeptScore> parseScore(std::string_view text, const Project& project);
// Expecting what the kind's machine does now.
Result<std::string> writeScore(const std::string& name, const KindId& kind, const Score& score,
                               const Project& project);

// What the machine did, and which expectations were not met.
Result<std::vector<std::string>> playKept(const KeptScore& kept, const Project& project,
                                          std::vector<TakeFailure>& failures);

}  // namespace bristle
