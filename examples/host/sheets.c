#include "sheets.h"

#include <cJSON.h>
#include <stb_image.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "take.h"

/* By a text of screen, item, language and state; sorted. */
typedef struct entry {
  char key[160];
  int picture;
} entry;

struct sheets {
  SDL_Texture **pages;
  int page_count;
  sheet_picture *pictures;
  entry *entries;
  size_t count;
};

static int compare(const void *a, const void *b) {
  return strcmp(((const entry *)a)->key, ((const entry *)b)->key);
}

static const entry *entry_of(const sheets *all, const char *screen, const char *item,
                             const char *language, const char *state) {
  entry wanted;
  snprintf(wanted.key, sizeof wanted.key, "%s/%s/%s/%s", screen, item, language, state);
  return bsearch(&wanted, all->entries, all->count, sizeof wanted, compare);
}

static const char *text(const cJSON *object, const char *key) {
  const char *out = cJSON_GetStringValue(cJSON_GetObjectItem(object, key));
  return out ? out : "";
}

static double number(const cJSON *object, const char *key) {
  const cJSON *out = cJSON_GetObjectItem(object, key);
  return cJSON_IsNumber(out) ? out->valuedouble : 0;
}

static SDL_Texture *page_of(SDL_Renderer *renderer, const char *folder, const char *name) {
  char path[1024];
  int w, h, channels;
  SDL_Surface *surface;
  SDL_Texture *out = NULL;
  unsigned char *px;
  snprintf(path, sizeof path, "%s/%s", folder, name);
  px = stbi_load(path, &w, &h, &channels, 4);
  if (!px) return NULL;
  surface = SDL_CreateRGBSurfaceWithFormatFrom(px, w, h, 32, w * 4, SDL_PIXELFORMAT_RGBA32);
  if (surface) out = SDL_CreateTextureFromSurface(renderer, surface);
  if (out) SDL_SetTextureBlendMode(out, SDL_BLENDMODE_BLEND);
  SDL_FreeSurface(surface);
  stbi_image_free(px);
  return out;
}

/* What stands on screens; pictures of kinds alone are for other uses. */
static void read_picture(sheets *all, const cJSON *from, int at) {
  const cJSON *box = cJSON_GetObjectItem(from, "box"), *use;
  sheet_picture *out = &all->pictures[at];
  int page = (int)number(from, "page");
  if (page < 0 || page >= all->page_count || cJSON_GetObjectItem(from, "strip")) return;
  out->page = all->pages[page];
  out->from.x = (int)number(from, "x"), out->from.y = (int)number(from, "y");
  out->from.w = (int)number(from, "w"), out->from.h = (int)number(from, "h");
  out->box.x = (float)number(box, "x"), out->box.y = (float)number(box, "y");
  out->box.w = (float)number(box, "w"), out->box.h = (float)number(box, "h");
  cJSON_ArrayForEach(use, cJSON_GetObjectItem(from, "placed")) {
    entry *to = realloc(all->entries, (all->count + 1) * sizeof *to);
    if (!to) return;
    all->entries = to;
    to += all->count++;
    to->picture = at;
    snprintf(to->key, sizeof to->key, "%s/%s/%s/%s", text(use, "screen"), text(use, "item"),
             text(use, "language"), text(from, "state"));
  }
}

static int fill(sheets *all, SDL_Renderer *renderer, const char *folder, const cJSON *index) {
  const cJSON *pages = cJSON_GetObjectItem(index, "pages"), *each;
  const cJSON *pictures = cJSON_GetObjectItem(index, "pictures");
  int at = 0;
  all->page_count = cJSON_GetArraySize(pages);
  all->pages = calloc((size_t)all->page_count + 1, sizeof *all->pages);
  all->pictures = calloc((size_t)cJSON_GetArraySize(pictures) + 1, sizeof *all->pictures);
  if (!all->pages || !all->pictures) return 0;
  cJSON_ArrayForEach(each, pages) {
    all->pages[at] = page_of(renderer, folder, text(each, "file"));
    if (!all->pages[at++]) {
      fprintf(stderr, "%s cannot be shown\n", text(each, "file"));
      return 0;
    }
  }
  at = 0;
  cJSON_ArrayForEach(each, pictures) read_picture(all, each, at++);
  qsort(all->entries, all->count, sizeof *all->entries, compare);
  return 1;
}

sheets *sheets_open(SDL_Renderer *renderer, const char *folder) {
  char path[1024], *json;
  size_t size;
  cJSON *index;
  sheets *out;
  snprintf(path, sizeof path, "%s/sheets.json", folder);
  json = read_all(path, &size);
  index = json ? cJSON_Parse(json) : NULL;
  out = index ? calloc(1, sizeof *out) : NULL;
  if (!out) fprintf(stderr, "%s cannot be read\n", path);
  if (out && !fill(out, renderer, folder, index)) {
    sheets_close(out);
    out = NULL;
  }
  cJSON_Delete(index);
  free(json);
  return out;
}

void sheets_close(sheets *all) {
  int page;
  if (!all) return;
  for (page = 0; all->pages && page < all->page_count; ++page) SDL_DestroyTexture(all->pages[page]);
  free(all->pages);
  free(all->pictures);
  free(all->entries);
  free(all);
}

const sheet_picture *sheets_find(const sheets *all, const char *screen, const char *item,
                                 const char *language, const char *state) {
  const entry *found = entry_of(all, screen, item, language, state);
  if (!found) found = entry_of(all, screen, item, "", state); /* the same in all languages */
  return found ? &all->pictures[found->picture] : NULL;
}
