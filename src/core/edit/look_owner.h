// Whose look is meant.
#pragma once
#include "runtime/document/ids.h"

namespace bristle {

// Whose look an edit changes: the kind's, or, with an item, what that one button has of its own.
struct LookOwner {
  KindId kind;
  ScreenId screen = {};
  ItemId item = {};
  bool operator==(const LookOwner&) const = default;
};

}  // namespace bristle
