// A finding as programs read it.
#pragma once
#include <nlohmann/json_fwd.hpp>

#include "core/findings/finding.h"

namespace bristle {

nlohmann::ordered_json inJson(const Finding& finding);

}  // namespace bristle
