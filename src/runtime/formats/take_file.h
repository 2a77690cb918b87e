// Takes as JSON Lines: a header, then events with their times and expectations.
//
//   {"take":1,"name":"tour","display":"d1"}
//   {"at":200,"do":"move","dir":"down","press":true,"by":"keyboard"}
//   {"at":300,"do":"point","on":"slot-4","by":"mouse"}
//   {"at":300,"expect":"focus dive → log (down, solved)"}
#pragma once
#include <string>
#include <string_view>

#include "runtime/session/take.h"

namespace bristle {

// The error's place is "line N".
Result<Take> parseTake(std::string_view text);
std::string writeTake(const Take& take);

}  // namespace bristle
