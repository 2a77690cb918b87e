// Where a finding is made.
#pragma once
#include <QString>

namespace bristle {

struct Finding;
// The id of that bench.
QString benchOf(const Finding& finding);

}  // namespace bristle
