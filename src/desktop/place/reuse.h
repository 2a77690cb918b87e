// What can be done with reusable groups on a screen: the same from the card and from the menus.
#pragma once
#include "runtime/document/project.h"

namespace bristle {

class Work;

// The copy that an item of the picked screen is, or is in; null where there is none.
const Item* copyAround(const Screen& screen, const Item& item);
// The group of the copy that the picked item is or is in; null where there is none.
const Group* groupOfPicked(const Work& work);

// Each tells where it cannot be done.
void makeReusable(Work& work);
void placeAnotherCopy(Work& work);
void letGoOfGroup(Work& work);

}  // namespace bristle
