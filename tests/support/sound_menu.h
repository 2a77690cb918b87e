// A menu with nothing to be said against it, for the tests of rules: each breaks one thing.
#pragma once
#include <gmock/gmock.h>

#include "core/findings/check.h"
#include "support/menus.h"

namespace bristle::test {

// Two buttons that tell the game something, with nothing to be said against them.
struct Sound {
  Project project = columnMenu({"Dive", "Chart"});
  std::vector<ItemId> ids = buttons(project);
  Sound() {
    for (const ItemId& id : ids)
      button(id).actions = {{.type = ActionType::Message, .message = "m"}};
  }
  Screen& screen(size_t at = 0) { return project.screens[at].edit(); }
  Item& item(const ItemId& id) { return *edit(screen(), id); }
  ButtonData& button(const ItemId& id) { return *item(id).button(); }
  Kind& kind() { return project.kinds[0].edit(); }
  Machine& machine() { return project.machines[0].edit(); }
  std::vector<std::string> rules() const {
    std::vector<std::string> out;
    for (const Finding& f : check(project)) out.emplace_back(f.rule);
    return out;
  }
};

// The one finding there is; each of its mends leaves none.
inline Finding only(const Sound& menu, std::string_view rule) {
  const Findings all = check(menu.project);
  EXPECT_EQ(all.size(), 1U) << rule;
  if (all.size() != 1) return {};
  EXPECT_EQ(all[0].rule, rule);
  for (const Edit& mend : all[0].mends)
    EXPECT_THAT(check(after(menu.project, mend)), testing::IsEmpty()) << rule << ": " << mend.name;
  return all[0];
}

}  // namespace bristle::test
