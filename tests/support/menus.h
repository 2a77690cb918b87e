// Small menus for tests.
#pragma once
#include <gtest/gtest.h>

#include <string>
#include <vector>

#include "core/edit/history.h"
#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "runtime/session/session.h"

namespace bristle::test {

// A project with one kind and one screen with a column of buttons, made by edits as a person would.
// Button ids are those of `buttons()`.
Project columnMenu(const std::vector<std::string>& captions);
// The same with each button where a box says, in no container.
Project placedMenu(const std::vector<Box>& boxes);
std::vector<ItemId> buttons(const Project& project, size_t screen = 0);
// Performs an edit that must succeed.
void must(History& history, const Edit& edit);
Project after(const Project& project, const Edit& edit);

// A whole project with everything in it that the format can hold.
Project fullProject();

// Feeds events and gives the trace's lines since the last call.
class Playing {
 public:
  explicit Playing(const Project& project);
  Session& session() { return session_; }
  std::vector<std::string> key(InputType type, bool down, Device device = Device::Keyboard);
  std::vector<std::string> move(Dir dir, bool release = true);
  std::vector<std::string> point(InputType type, double x, double y, Device device = Device::Mouse);
  std::vector<std::string> point(InputType type, const ItemId& button);
  std::vector<std::string> wait(Ms ms);
  std::vector<std::string> lines();
  Ms now = 0;

 private:
  std::vector<std::string> feed(InputEvent event);
  PlainMeasure measure_;
  Session session_;
  size_t seen_ = 0;
};

std::string sourcePath(const std::string& relative);

}  // namespace bristle::test
