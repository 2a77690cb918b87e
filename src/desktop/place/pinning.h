// Pinning the picked items: nothing moves by it where it is shown, distances are measured anew.
#pragma once
#include <functional>

#include "runtime/document/screen.h"

namespace bristle {

class Work;

// `apply` changes what each is pinned to, or how it grows.
bool rePin(Work& work, const char* name, const std::function<void(Place&)>& apply);
// To the edges or the centre that each is nearest to, of nine.
void pinToNearest(Work& work);

}  // namespace bristle
