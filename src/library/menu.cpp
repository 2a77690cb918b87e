// bristle.h: a menu is opened, and tells what it has.
#include <algorithm>
#include <cstring>

#include "library/handles.h"
#include "library/why.h"

using namespace bristle;

namespace {

template <class T, class Out, class Fill>
bristle_code entry(const std::vector<T>& all, size_t index, Out* out, Fill fill) {
  if (!out) return BRISTLE_MISUSED;
  if (index >= all.size()) return BRISTLE_OUT_OF_RANGE;
  fill(all[index]);
  return BRISTLE_OK;
}

}  // namespace

int bristle_abi(void) {
  return BRISTLE_ABI;
}

const char* bristle_code_text(bristle_code code) {
  switch (code) {
    case BRISTLE_OK:
      return "fine";
    case BRISTLE_MISUSED:
      return "a null where something is needed";
    case BRISTLE_UNREADABLE:
      return "no delivered menu, or a broken one";
    case BRISTLE_TOO_NEW:
      return "a newer Bristle wrote it, for a newer library";
    case BRISTLE_NOT_THERE:
      return "there is nothing of that id or name";
    case BRISTLE_OUT_OF_RANGE:
      return "beyond the end of the list";
    case BRISTLE_OTHER_SORT:
      return "the property has another sort of value";
  }
  return "no code of this library";
}

bristle_code bristle_open(const void* bytes, size_t size, bristle_menu** menu, char* why,
                          size_t why_size) {
  if (!bytes || !menu) return told(BRISTLE_MISUSED, "bytes and menu are needed", why, why_size);
  auto read = parseMenu({static_cast<const char*>(bytes), size});
  if (!read)
    return told(read.error().tooNew ? BRISTLE_TOO_NEW : BRISTLE_UNREADABLE,
                read.error().error.text(), why, why_size);
  *menu = new bristle_menu(std::move(*read));
  return BRISTLE_OK;
}

void bristle_close(bristle_menu* menu) {
  delete menu;
}

const char* bristle_menu_name(const bristle_menu* menu) {
  return menu ? menu->project.name.c_str() : "";
}

size_t bristle_display_count(const bristle_menu* menu) {
  return menu ? menu->project.displays.size() : 0;
}

bristle_code bristle_display_at(const bristle_menu* menu, size_t index, bristle_display* display) {
  if (!menu) return BRISTLE_MISUSED;
  return entry(menu->project.displays, index, display, [&](const Display& d) {
    *display = {d.id.text.c_str(), d.name.c_str(), d.width,      d.height,     d.scale,
                d.safe.left,       d.safe.top,     d.safe.right, d.safe.bottom};
  });
}

size_t bristle_language_count(const bristle_menu* menu) {
  return menu ? menu->project.languages.size() : 0;
}

bristle_code bristle_language_at(const bristle_menu* menu, size_t index,
                                 bristle_language* language) {
  if (!menu) return BRISTLE_MISUSED;
  return entry(menu->project.languages, index, language, [&](const Language& l) {
    *language = {l.id.text.c_str(), l.name.c_str(), l.rightToLeft};
  });
}

size_t bristle_value_count(const bristle_menu* menu) {
  return menu ? menu->project.values.size() : 0;
}

bristle_code bristle_value_at(const bristle_menu* menu, size_t index, bristle_value* value) {
  if (!menu) return BRISTLE_MISUSED;
  return entry(menu->project.values, index, value, [&](const ProjectValue& v) {
    constexpr double kAny = 1e300;
    *value = {v.id.text.c_str(), v.name.c_str(), v.start, within(v, -kAny), within(v, kAny)};
  });
}
