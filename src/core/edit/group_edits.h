// Edits of groups that are placed many times, and of lists of screens and their bars.
#pragma once
#include "core/edit/tree_edits.h"

namespace bristle {

// The container becomes the first copy of a new group.
Edit makeGroup(ScreenId screen, ItemId container, std::string name);
// A copy of it, at x, y of what holds it.
Edit placeGroup(ScreenId screen, GroupId group, Spot to, Px x, Px y);
// A copy becomes items of the screen like all others.
Edit letGo(ScreenId screen, ItemId copy);
Edit changeGroup(GroupId group, std::string name, std::function<void(Group&)> change);
// Its copies stay, as items like all others.
Edit removeGroup(GroupId group);

// A list of these screens, and a container that keeps in step with it; buttons that it has none for
// are of that kind.
Edit makeBar(ScreenId screen, ItemId container, std::vector<ScreenId> screens, KindId kind);
// The container keeps in step with a list that is there; empty: with none.
Edit followList(ScreenId screen, ItemId container, ListId list, KindId kind);
Edit changeList(ListId list, std::string name, std::function<void(ScreenList&)> change);

}  // namespace bristle
