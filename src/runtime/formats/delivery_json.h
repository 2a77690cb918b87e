// Deliveries in the project file.
#pragma once
#include "runtime/document/delivery.h"
#include "runtime/formats/json_reader.h"

namespace bristle {

Json toJson(const Delivery& delivery);
// Complains where it is none.
Delivery readDelivery(JsonReader& r, const Json& value, const JsonPlace& at);

}  // namespace bristle
