// A value with other names in the place of those that it uses.
#pragma once
#include "runtime/document/named.h"

namespace bristle {

// `to(id)` gives the name that stands for another.
template <class To>
Value mappedNames(Value value, To to) {
  if (auto* ref = std::get_if<NamedRef>(&value)) ref->id = to(ref->id);
  if (auto* fill = std::get_if<Fill>(&value))
    for (Stop& stop : fill->stops)
      if (stop.named) stop.named = to(stop.named);
  if (auto* shadow = std::get_if<Shadow>(&value); shadow && shadow->named)
    shadow->named = to(shadow->named);
  return value;
}

}  // namespace bristle
