#include "core/findings/plain_words.h"

#include <algorithm>

namespace bristle {

std::vector<std::string> plainWords(std::string_view text) {
  std::vector<std::string> out(1);
  for (const char c : text) {
    const bool letter = (c >= 'a' && c <= 'z') || (c >= '0' && c <= '9') || c & '\x80';
    const bool capital = c >= 'A' && c <= 'Z';
    if (letter || capital)
      out.back() += capital ? static_cast<char>(c - 'A' + 'a') : c;
    else if (c != '\'' && !out.back().empty())
      out.emplace_back();
  }
  if (out.back().empty()) out.pop_back();
  return out;
}

bool holdsInOrder(const std::vector<std::string>& in, const std::vector<std::string>& what) {
  return std::search(in.begin(), in.end(), what.begin(), what.end()) != in.end();
}

ItemId panelOf(const Screen& screen, const Item& item) {
  for (const Item* it = &item; it && it->parent;) {
    const Item* holder = findItem(screen, it->parent);
    if (holder && holder->container() && holder->container()->panels) return it->id;
    it = holder;
  }
  return {};
}

}  // namespace bristle
