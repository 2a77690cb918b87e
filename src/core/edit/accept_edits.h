// Findings that somebody has looked at and lets be, with a reason.
#pragma once
#include <string>
#include <vector>

#include "core/edit/history.h"

namespace bristle {

// All of them for that reason, which must say something; `on` is the day as ISO 8601 has it. One
// that was accepted before gets the new reason.
Edit acceptFindings(std::vector<std::string> keys, std::string reason, std::string on);
// They are told again.
Edit tellAgain(std::vector<std::string> keys);

}  // namespace bristle
