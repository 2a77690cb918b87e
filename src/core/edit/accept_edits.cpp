#include "core/edit/accept_edits.h"

#include <algorithm>

namespace bristle {
namespace {

void forget(Project& project, const std::vector<std::string>& keys) {
  std::erase_if(project.accepted, [&](const Accepted& each) {
    return std::find(keys.begin(), keys.end(), each.key) != keys.end();
  });
}

}  // namespace

Edit acceptFindings(std::vector<std::string> keys, std::string reason, std::string on) {
  return {keys.size() == 1 ? "accept a finding" : "accept findings",
          {},
          [keys = std::move(keys), reason = std::move(reason),
           on = std::move(on)](const Project& before) -> Result<Project> {
            if (reason.find_first_not_of(" \t\n") == std::string::npos)
              return fail("accepting", "expected why it may stay as it is");
            Project after = before;
            forget(after, keys);
            for (const std::string& key : keys) after.accepted.push_back({key, reason, on});
            return after;
          }};
}

Edit tellAgain(std::vector<std::string> keys) {
  return {"tell findings again",
          {},
          [keys = std::move(keys)](const Project& before) -> Result<Project> {
            Project after = before;
            forget(after, keys);
            return after;
          }};
}

}  // namespace bristle
