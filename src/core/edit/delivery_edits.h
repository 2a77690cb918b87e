// Edits of what is handed over.
#pragma once
#include <functional>

#include "core/edit/history.h"

namespace bristle {

// With the outputs given, into that folder; its id is the newest.
Edit addDelivery(std::string name, std::string folder, std::vector<Output> outputs);
Edit removeDelivery(const DeliveryId& id);
// Its name, its folder or its outputs; those of a gesture or a field merge by `key`.
Edit changeDelivery(const DeliveryId& id, std::string what, std::string key,
                    std::function<void(Delivery&)> change);

}  // namespace bristle
