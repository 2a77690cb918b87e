#include "core/edit/delivery_edits.h"

#include <algorithm>

namespace bristle {

Edit addDelivery(std::string name, std::string folder, std::vector<Output> outputs) {
  return {"add a delivery",
          {},
          [=](const Project& before) -> Result<Project> {
            Project after = before;
            std::vector<std::string> taken;
            for (const Delivery& each : after.deliveries) taken.push_back(each.name);
            after.deliveries.push_back(
                {freshId<DeliveryId>(after, "d"), freeName(taken, name), folder, outputs});
            return after;
          }};
}

Edit removeDelivery(const DeliveryId& id) {
  return {"remove a delivery", {}, [=](const Project& before) -> Result<Project> {
            Project after = before;
            if (std::erase_if(after.deliveries,
                              [&](const Delivery& each) { return each.id == id; }) == 0)
              return fail(id.text, "there is no such delivery");
            return after;
          }};
}

Edit changeDelivery(const DeliveryId& id, std::string what, std::string key,
                    std::function<void(Delivery&)> change) {
  return {std::move(what), key.empty() ? key : "delivery " + id.text + " " + key,
          [=](const Project& before) -> Result<Project> {
            Project after = before;
            for (Delivery& each : after.deliveries)
              if (each.id == id) {
                change(each);
                return after;
              }
            return fail(id.text, "there is no such delivery");
          }};
}

}  // namespace bristle
