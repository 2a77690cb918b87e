#include "take.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

char *read_all(const char *path, size_t *size) {
  FILE *file = fopen(path, "rb");
  char *bytes;
  long length;
  if (!file || fseek(file, 0, SEEK_END) || (length = ftell(file)) < 0) return NULL;
  rewind(file);
  bytes = malloc((size_t)length + 1);
  *size = fread(bytes, 1, (size_t)length, file);
  bytes[*size] = 0;
  fclose(file);
  return bytes;
}

/* Where the member's value begins; null where the line has none. */
static const char *member(const char *line, const char *key) {
  char quoted[64];
  const char *at;
  snprintf(quoted, sizeof quoted, "\"%s\":", key);
  at = strstr(line, quoted);
  return at ? at + strlen(quoted) : NULL;
}

int take_text(const char *line, const char *key, char *out, size_t size) {
  const char *at = member(line, key);
  size_t n = 0;
  out[0] = 0;
  if (!at || *at != '"') return 0;
  for (++at; *at && *at != '"' && n + 1 < size; ++at) {
    if (*at == '\\' && at[1]) ++at;
    out[n++] = *at;
  }
  out[n] = 0;
  return 1;
}

static double number(const char *line, const char *key, double otherwise) {
  const char *at = member(line, key);
  return at ? strtod(at, NULL) : otherwise;
}

static int one_of(const char *word, const char *const *words) {
  int i;
  for (i = 0; words[i]; ++i)
    if (!strcmp(word, words[i])) return i;
  return -1;
}

/* The middle of a button of the screen on top. */
static int middle_of(bristle_run *run, const char *id, double *x, double *y) {
  bristle_screen screen;
  bristle_item item;
  size_t s, i;
  screen.size = sizeof screen;
  item.size = sizeof item;
  for (s = 0; !bristle_screen_at(run, s, &screen); ++s) {
    if (!screen.on_top) continue;
    for (i = 0; !bristle_item_at(run, s, i, &item); ++i) {
      if (item.sort != BRISTLE_ITEM_BUTTON || strcmp(item.id, id)) continue;
      *x = item.hit_x + item.hit_w / 2;
      *y = item.hit_y + item.hit_h / 2;
      return 1;
    }
  }
  return 0;
}

int take_step(bristle_run *run, const char *line, void (*tell)(bristle_run *)) {
  static const char *const inputs[] = {"tick",   "point", "point.down", "point.up", "scroll",
                                       "move",   "accept", "cancel",    "step",     "gone",
                                       "enable", "message", "set",      "shoulder", "shortcut", 0};
  static const char *const devices[] = {"mouse", "touch", "keyboard", "controller", 0};
  static const char *const directions[] = {"up", "down", "left", "right", 0};
  static const char *const names[] = {"button", "message", "value", "name", 0};
  char word[128], name[256];
  bristle_event event;
  int i, pointer;
  memset(&event, 0, sizeof event);
  event.size = sizeof event;
  event.at = (int64_t)number(line, "at", 0);
  bristle_step(run, event.at);
  tell(run);
  if (!take_text(line, "do", word, sizeof word)) return 1; /* an expectation */
  event.input = one_of(word, inputs);
  pointer = event.input >= BRISTLE_POINT && event.input <= BRISTLE_SCROLL;
  event.device = pointer ? BRISTLE_MOUSE : BRISTLE_KEYBOARD;
  if (take_text(line, "by", word, sizeof word)) event.device = one_of(word, devices);
  if (take_text(line, "dir", word, sizeof word)) event.direction = one_of(word, directions);
  event.down = !member(line, "press") || !strncmp(member(line, "press"), "true", 4);
  event.x = number(line, "x", 0);
  event.y = number(line, "y", 0);
  event.unit = (int)number(line, "unit", 0);
  event.key = (int)number(line, "key", 0);
  event.number = number(line, event.input == BRISTLE_SCROLL ? "px" : "to", 0);
  event.name = name;
  for (i = 0; names[i] && !take_text(line, names[i], name, sizeof name); ++i) continue;
  if (take_text(line, "on", word, sizeof word) && !middle_of(run, word, &event.x, &event.y)) return 0;
  if (bristle_feed(run, &event)) return 0;
  tell(run);
  return 1;
}

char *take_line(char **rest) {
  char *line = *rest;
  if (!line || !*line) return NULL;
  *rest = strchr(line, '\n');
  if (*rest) *(*rest)++ = 0;
  return line;
}
