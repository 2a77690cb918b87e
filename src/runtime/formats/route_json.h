// What a person said of routes, in the project file: a button's "routes", with what holds on one
// display or in one language under "where", and the screen's clusters. A target is "to": an item's
// id or the list of ids that leads to it; or "cluster": an id.
#pragma once
#include "runtime/document/route_rule.h"
#include "runtime/formats/json_reader.h"

namespace bristle {

// Adds the member "routes" to a button's object, where any is set.
void writeRoutes(Json& button, const RouteRules& routes);
RouteRules readRoutes(JsonReader& reader, const Json& button, const JsonPlace& at);

// With what was not known when it was read.
Json toJson(const Cluster& cluster);
// Keeps what it does not know.
Cluster readCluster(JsonReader& reader, const Json& value, const JsonPlace& at);

}  // namespace bristle
