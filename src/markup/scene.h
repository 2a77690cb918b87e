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
//   items     those that look otherwise, by key: {z, sort, style, …, parts}; a part is 0 where it
//             looks as last time, and null where it does not show
// An item's key is its screen's number and its place on it. What is no longer in any order is gone.
class Scene {
 public:
  explicit Scene(SheetPictures pictures) : pictures_(std::move(pictures)) {}
  std::string frame(Session& session);
  // Tells all of it again.
  void forget() { told_.clear(); }

 private:
  struct At;
  // What an item that stands still follows from: while that is the same, it looks the same.
  struct Stamp {
    Box box, clip, hit;
    double scale = 1, presence = 1;
    int state = -1, modality = 0;
    bool moves = false;
    LanguageId language;
    std::string words;  // what a screen reader is told of its state
    bool operator==(const Stamp&) const = default;
  };
  // An item as it was told: all but the parts, and each of these.
  struct Told {
    std::string head;
    std::vector<std::string> parts;
    // What the parts were made from, so that those of which nothing has changed need not be again.
    Stamp stamp = {};
    Look look = {};
    Colour captionColour = {};
    std::string setting = {};
    bool saysTheSame(const Told& other) const { return head == other.head && parts == other.parts; }
  };
  static void addJson(std::string& out, const Told& now, const Told* before);
  std::string screen(Session& session, ScreenRun& run, bool top, std::string& items);
  static Stamp stampOf(const At& at);
  // Nothing where nothing of it is seen.
  std::optional<Told> item(const At& at);
  std::optional<Told> decor(const At& at);
  std::optional<Told> button(const At& at);
  // Adds its parts, and to the head what moves all of them.
  void addParts(Told& out, const At& at, const Kind& kind, const Look& look, Ms since);
  SheetPictures pictures_;
  std::map<std::string, Told> told_;  // by key
  std::map<std::string, Told> next_;
};

}  // namespace bristle
