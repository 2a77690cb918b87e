// Puts kinds from the shelf and pictures from elsewhere onto the picked screen.
#pragma once
#include <QPointF>
#include <QStringList>
#include <optional>
#include <vector>

#include "core/arrange/drop.h"

namespace bristle {

class Work;

// What a drop would do. In layout px, as all here.
struct Placing {
  DropSpot spot;
  ItemId becomes;  // the button that would become one of the kind; empty: something new is placed
};
// One kind over the middle of a button makes that one of it; else buttons are placed.
Placing placingAt(Work& work, const std::vector<KindId>& kinds, const QPointF& at);
// The first in the middle of `at`, the others beside it.
void placeKinds(Work& work, const std::vector<KindId>& kinds, const QPointF& at);
// After what is picked, in its order or beside it; where nothing is picked, in the middle of `at`.
void placeBesidePicked(Work& work, const KindId& kind, const QPointF& at);
// A copy of a reusable group: with its middle at `at`, or as placeBesidePicked has it.
void placeGroupAt(Work& work, const GroupId& group, const QPointF& at);
void placeGroupBesidePicked(Work& work, const GroupId& group, const QPointF& at);
// Takes the picked picture apart into the groups of its SVG; what cannot be is told.
void takeApartPicked(Work& work);
// Picture files, copied into the project's folder; each as large as it is.
void placePictures(Work& work, const QStringList& paths, const QPointF& at);

}  // namespace bristle
