// A running menu as whoever paints with HTML needs it: what of it looks otherwise than last time.
#pragma once
#include <map>
#include <string>
#include <vector>

#include "markup/part_html.h"
#include "runtime/session/session.h"

namespace bristle {

// Tells each frame as JSON, an object with
//   at        ms
//   moving    whether another frame will look otherwise
//   focus     the key of the button that has focus; "" where none
//   screens   from the lowest to the one on top, each {n, id, name, top, style, veil, order}: its
//             number, its style while it comes or goes, what it does to those below it ({dim 0–1,
//             blur px, at 0–1}, or null), and the keys of its items in the order of reading
//   items     those that look otherwise, by key: {z, sort, style, …}: see addItem
// An item's key is its screen's number and its place on it. What is no longer in any order is gone.
class Scene {
 public:
  explicit Scene(SheetPictures pictures) : pictures_(std::move(pictures)) {}
  std::string frame(Session& session);
  // Tells all of it again.
  void forget() { told_.clear(); }

 private:
  struct At;
  std::string screen(Session& session, ScreenRun& run, bool top, std::string& items);
  std::string item(const At& at);
  std::string decor(const At& at);
  std::string button(const At& at);
  std::string parts(const At& at, const Kind& kind, const Look& look, Ms since);
  SheetPictures pictures_;
  std::map<std::string, std::string> told_;  // by key
  std::map<std::string, std::string> next_;
};

}  // namespace bristle
