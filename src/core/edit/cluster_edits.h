// Clusters of focus on a screen: made, changed, taken away.
#pragma once
#include <functional>
#include <string>
#include <vector>

#include "core/edit/history.h"
#include "runtime/document/route_rule.h"

namespace bristle {

// Of buttons, and of containers with all that is in them; the last of Screen::clusters. It gets a
// name of its own. Refused without any.
Edit addCluster(ScreenId screen, std::vector<ItemId> items);
// `change` must leave the id alone.
Edit changeCluster(ScreenId screen, ClusterId cluster, std::string name,
                   std::function<void(Cluster&)> change);
// Routes and exits that led to it are solved again.
Edit removeCluster(ScreenId screen, ClusterId cluster);

}  // namespace bristle
