// Items of screens and of reusable groups in the project file.
#pragma once
#include <array>

#include "runtime/formats/screen_json.h"

namespace bristle {

inline constexpr std::array<std::string_view, 5> kScaling{"none", "width", "height", "smaller",
                                                          "greater"};

inline constexpr std::array<std::string_view, 3> kFits{"cover", "contain", "whole"};

// When it can be pressed, and what that does: the members of a button that say so.
void writeDoing(Json& out, const ButtonData& button);
// Without what is in it.
Json itemJson(const Item& item, const Project& project);
// The item and all that is in it, appended in the order of the document.
void readItems(JsonReader& reader, const Json& value, const JsonPlace& at, const ItemId& parent,
               const ReadingScreens& with, std::vector<Shared<Item>>& out);

}  // namespace bristle
