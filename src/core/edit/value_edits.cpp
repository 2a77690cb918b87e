#include "core/edit/value_edits.h"

#include <algorithm>

namespace bristle {

Edit addValue(std::string name, ValueSort sort) {
  return {"add a value", {}, [=](Project after) -> Result<Project> {
            std::vector<std::string> taken;
            for (const ProjectValue& each : after.values) taken.push_back(each.name);
            ProjectValue value{.id = freshId<ValueId>(after, "v"), .name = freeName(taken, name)};
            value.sort = sort;
            if (sort == ValueSort::Choice) value.options = {"first"};
            after.values.push_back(std::move(value));
            return after;
          }};
}

Edit changeValue(ValueId id, std::string name, std::string mergeKey,
                 std::function<void(ProjectValue&)> change) {
  return {std::move(name), std::move(mergeKey), [=](Project after) -> Result<Project> {
            const auto at = std::find_if(after.values.begin(), after.values.end(),
                                         [&](const ProjectValue& v) { return v.id == id; });
            if (at == after.values.end()) return fail({}, "that value is gone");
            change(*at);
            at->start = within(*at, at->start);
            return after;
          }};
}

Edit removeValue(ValueId id) {
  return {"remove a value", {}, [=](Project after) -> Result<Project> {
            if (std::erase_if(after.values, [&](const ProjectValue& v) { return v.id == id; }) == 0)
              return fail({}, "that value is gone");
            for (ValueId* used : {&after.settings.musicVolume, &after.settings.cueVolume})
              if (*used == id) *used = {};
            return after;
          }};
}

}  // namespace bristle
