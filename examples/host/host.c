/*
 * A small host: runs a menu that Bristle has delivered, with the pictures of its sheets, in an SDL
 * window. Made to be read, and to begin from.
 *
 *   host MENU SHEETS [--display ID] [--language ID] [--take FILE] [--shot FILE.bmp]
 *
 * MENU is what `bristle deliver --menu` wrote, SHEETS the folder of `--sheets --placed`. With
 * --take nobody is asked: a take is played instead, its trace printed as `bristle rehearse` prints
 * it, and with --shot the last frame written.
 *
 * What it leaves out: sounds (BRISTLE_SOUND and BRISTLE_MUSIC say which, and how loud), what is
 * blurred below a screen, and single parts that move by themselves: a state fades into the next.
 */
#include <SDL.h>
#include <bristle.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "sheets.h"
#include "take.h"

enum { FADE = 120 }; /* ms from a state's picture to the next one's */

/* What an item shows and showed before, so that a change can fade: of eight screens at once, by
 * their numbers, and a thousand items on each. */
static struct {
  int screen;
  const sheet_picture *now, *before;
  int64_t since;
} shown[8][1024];

typedef struct host {
  SDL_Renderer *renderer;
  bristle_run *run;
  sheets *pictures;
  double scale, width, height; /* px of the window to a layout px; layout px */
} host;

static char language[64];
static int taking; /* nobody is asked: a take is played, and what happens is printed */

/* -- what is to be seen ------------------------------------------------------------------------ */

static SDL_FRect moved(const host *h, const bristle_matrix *m, double x, double y, double w,
                       double ht) {
  SDL_FRect out;
  out.x = (float)((m->a * x + m->c * y + m->e) * h->scale);
  out.y = (float)((m->b * x + m->d * y + m->f) * h->scale);
  out.w = (float)(w * m->a * h->scale);
  out.h = (float)(ht * m->d * h->scale);
  return out;
}

/* The picture so that its box lies where the item's does. */
static void draw_picture(const host *h, const bristle_screen *screen, const bristle_item *item,
                         const sheet_picture *p, double opacity) {
  double sx, sy;
  SDL_FRect to;
  if (!p || p->box.w <= 0 || p->box.h <= 0 || opacity <= 0) return;
  sx = item->w / p->box.w, sy = item->h / p->box.h;
  to = moved(h, &screen->motion, item->x - p->box.x * sx, item->y - p->box.y * sy, p->from.w * sx,
             p->from.h * sy);
  SDL_SetTextureAlphaMod(p->page, (Uint8)(255 * opacity + 0.5));
  SDL_RenderCopyF(h->renderer, p->page, &p->from, &to);
}

static void draw_item(host *h, const bristle_screen *screen, size_t index,
                      const bristle_item *item) {
  const int64_t now = bristle_now(h->run);
  const double opacity = screen->opacity * item->presence;
  const sheet_picture *p = sheets_find(h->pictures, screen->id, item->id, language, item->state);
  const SDL_FRect cut =
      moved(h, &screen->motion, item->clip_x, item->clip_y, item->clip_w, item->clip_h);
  const SDL_Rect clip = {(int)cut.x, (int)cut.y, (int)cut.w, (int)cut.h};
  double come;
#define WAS shown[screen->number % 8][index % 1024]
  if (WAS.screen != screen->number) WAS.screen = screen->number, WAS.now = p, WAS.since = -FADE;
  if (WAS.now != p) WAS.before = WAS.now, WAS.now = p, WAS.since = now;
  come = now - WAS.since < FADE ? (double)(now - WAS.since) / FADE : 1;
  if (item->clipped) SDL_RenderSetClipRect(h->renderer, &clip);
  if (come < 1) draw_picture(h, screen, item, WAS.before, opacity);
  draw_picture(h, screen, item, p, opacity * come);
  if (item->clipped) SDL_RenderSetClipRect(h->renderer, NULL);
#undef WAS
}

static Uint8 between(double a, double b, double part) { return (Uint8)(a + (b - a) * part + 0.5); }

/* Gradients from top to bottom, whatever their angle. */
static void draw_backdrop(host *h, size_t at, const bristle_screen *screen) {
  enum { BANDS = 128 };
  const SDL_FRect all = moved(h, &screen->motion, 0, 0, h->width, h->height);
  bristle_fill fill;
  size_t i = 0;
  int band;
  SDL_SetRenderDrawColor(h->renderer, 0, 0, 0, (Uint8)(255 * screen->dim_below * screen->presence));
  if (screen->dim_below > 0) SDL_RenderFillRect(h->renderer, NULL);
  if (bristle_screen_backdrop(h->run, at, &fill) || fill.stop_count == 0) return;
  for (band = 0; band < BANDS; ++band) {
    const double along = (band + 0.5) / BANDS;
    const bristle_colour_stop *a, *b;
    SDL_FRect part = all;
    double way;
    while (i + 1 < fill.stop_count && fill.stops[i + 1].at <= along) ++i;
    a = &fill.stops[i], b = i + 1 < fill.stop_count ? a + 1 : a;
    way = b->at > a->at && along > a->at ? (along - a->at) / (b->at - a->at) : 0;
    SDL_SetRenderDrawColor(h->renderer, between(a->colour.r, b->colour.r, way),
                           between(a->colour.g, b->colour.g, way),
                           between(a->colour.b, b->colour.b, way),
                           (Uint8)(between(a->colour.a, b->colour.a, way) * screen->opacity));
    part.y += all.h * (float)band / BANDS;
    part.h = all.h / BANDS + (band + 1 < BANDS ? 1 : 0);
    SDL_RenderFillRectF(h->renderer, &part);
  }
}

static void draw(host *h) {
  bristle_screen screen;
  bristle_item item;
  size_t s, i;
  screen.size = sizeof screen;
  item.size = sizeof item;
  SDL_SetRenderDrawColor(h->renderer, 0, 0, 0, 255);
  SDL_RenderClear(h->renderer);
  for (s = 0; !bristle_screen_at(h->run, s, &screen); ++s) {
    draw_backdrop(h, s, &screen);
    for (i = 0; !bristle_item_at(h->run, s, i, &item); ++i)
      if (item.seen && item.sort != BRISTLE_ITEM_CONTAINER) draw_item(h, &screen, i, &item);
  }
}

/* -- what the devices do ----------------------------------------------------------------------- */

static bristle_event event_of(int64_t at, bristle_input input, bristle_device device) {
  bristle_event out;
  memset(&out, 0, sizeof out);
  out.size = sizeof out;
  out.at = at, out.input = input, out.device = device;
  return out;
}

static void feed(host *h, int64_t at, bristle_input input, bristle_device device, int direction,
                 int down) {
  bristle_event event = event_of(at, input, device);
  event.direction = direction, event.down = down;
  bristle_feed(h->run, &event);
}

static void point(host *h, int64_t at, bristle_input input, bristle_device device, double x,
                  double y, int finger) {
  bristle_event event = event_of(at, input, device);
  event.x = x / h->scale, event.y = y / h->scale, event.unit = finger;
  bristle_feed(h->run, &event);
}

static void key(host *h, int64_t at, const SDL_KeyboardEvent *e) {
  static const SDL_Scancode arrows[] = {SDL_SCANCODE_UP, SDL_SCANCODE_DOWN, SDL_SCANCODE_LEFT,
                                        SDL_SCANCODE_RIGHT}; /* as bristle_direction has them */
  const int down = e->type == SDL_KEYDOWN;
  int i;
  const char *name = SDL_GetScancodeName(e->keysym.scancode);
  const int modifiers = (e->keysym.mod & KMOD_CTRL ? BRISTLE_CTRL : 0) |
                        (e->keysym.mod & KMOD_ALT ? BRISTLE_ALT : 0) |
                        (e->keysym.mod & KMOD_SHIFT ? BRISTLE_SHIFT : 0);
  if (e->repeat) return; /* the menu repeats by itself */
  for (i = 0; i < 4; ++i)
    if (e->keysym.scancode == arrows[i]) {
      feed(h, at, BRISTLE_MOVE, BRISTLE_KEYBOARD, i, down);
      return;
    }
  if (e->keysym.scancode == SDL_SCANCODE_TAB) {
    if (down) feed(h, at, BRISTLE_STEP, BRISTLE_KEYBOARD, 0, !(modifiers & BRISTLE_SHIFT));
    return;
  }
  if (e->keysym.scancode == SDL_SCANCODE_RETURN) name = "Enter";
  if (down)
    bristle_press_sign(h->run, at, BRISTLE_KEY, name, modifiers, 0);
  else
    bristle_release_sign(h->run, at, BRISTLE_KEY, name, 0);
}

static void button(host *h, int64_t at, const SDL_ControllerButtonEvent *e) {
  static const char *const signs[] = {"lower button", "right button", "left button",
                                      "upper button", "back",         "",
                                      "start",        "left stick",   "right stick",
                                      "left shoulder", "right shoulder"};
  const int down = e->type == SDL_CONTROLLERBUTTONDOWN, pad = e->button - SDL_CONTROLLER_BUTTON_DPAD_UP;
  if (pad >= 0 && pad <= 3) { /* up, down, left, right, as the library has them */
    feed(h, at, BRISTLE_MOVE, BRISTLE_CONTROLLER, pad, down);
  } else if (e->button < sizeof signs / sizeof *signs) {
    if (down)
      bristle_press_sign(h->run, at, BRISTLE_BUTTON, signs[e->button], 0, 0);
    else
      bristle_release_sign(h->run, at, BRISTLE_BUTTON, signs[e->button], 0);
  }
}

static void stick(host *h, int64_t at, const SDL_ControllerAxisEvent *e) {
  static double x, y;
  if (e->axis == SDL_CONTROLLER_AXIS_LEFTX) x = e->value / 32767.0;
  if (e->axis == SDL_CONTROLLER_AXIS_LEFTY) y = e->value / 32767.0;
  bristle_stick(h->run, at, 0, x, y);
}

static void scroll(host *h, int64_t at, int steps) {
  bristle_event event = event_of(at, BRISTLE_SCROLL, BRISTLE_MOUSE);
  int x, y;
  SDL_GetMouseState(&x, &y);
  event.x = x / h->scale, event.y = y / h->scale;
  event.direction = steps > 0 ? BRISTLE_UP : BRISTLE_DOWN;
  event.number = 60 * abs(steps);
  bristle_feed(h->run, &event);
}

/* 0 where the window is closed. */
static int take_events(host *h, int64_t at) {
  SDL_Event e;
  while (SDL_PollEvent(&e)) {
    const int touched = e.type != SDL_QUIT && e.button.which == SDL_TOUCH_MOUSEID;
    const double fx = e.tfinger.x * h->width * h->scale, fy = e.tfinger.y * h->height * h->scale;
    switch (e.type) {
      case SDL_QUIT: return 0;
      case SDL_KEYDOWN:
      case SDL_KEYUP: key(h, at, &e.key); break;
      case SDL_MOUSEMOTION:
        if (e.motion.which != SDL_TOUCH_MOUSEID)
          point(h, at, BRISTLE_POINT, BRISTLE_MOUSE, e.motion.x, e.motion.y, 0);
        break;
      case SDL_MOUSEBUTTONDOWN:
      case SDL_MOUSEBUTTONUP:
        if (!touched && e.button.button == SDL_BUTTON_LEFT)
          point(h, at, e.type == SDL_MOUSEBUTTONDOWN ? BRISTLE_POINT_DOWN : BRISTLE_POINT_UP,
                BRISTLE_MOUSE, e.button.x, e.button.y, 0);
        break;
      case SDL_MOUSEWHEEL: scroll(h, at, e.wheel.y); break;
      case SDL_FINGERDOWN:
      case SDL_FINGERMOTION:
      case SDL_FINGERUP:
        point(h, at, e.type == SDL_FINGERDOWN ? BRISTLE_POINT_DOWN
                     : e.type == SDL_FINGERUP ? BRISTLE_POINT_UP : BRISTLE_POINT,
              BRISTLE_TOUCH, fx, fy, (int)e.tfinger.fingerId);
        break;
      case SDL_CONTROLLERDEVICEADDED: SDL_GameControllerOpen(e.cdevice.which); break;
      case SDL_CONTROLLERDEVICEREMOVED: feed(h, at, BRISTLE_GONE, BRISTLE_CONTROLLER, 0, 0); break;
      case SDL_CONTROLLERBUTTONDOWN:
      case SDL_CONTROLLERBUTTONUP: button(h, at, &e.cbutton); break;
      case SDL_CONTROLLERAXISMOTION: stick(h, at, &e.caxis); break;
      default: break;
    }
  }
  return 1;
}

/* -- what happened ----------------------------------------------------------------------------- */

/* A game would play sounds, act on messages, and keep values here. */
static void hear(bristle_run *run) {
  bristle_happening what;
  size_t i;
  what.size = sizeof what;
  for (i = 0; !bristle_happened_at(run, i, &what); ++i) {
    if (what.type == BRISTLE_SPEAKS) snprintf(language, sizeof language, "%s", what.how);
    if (what.type == BRISTLE_LINK && !taking) SDL_OpenURL(what.how);
    if (taking) printf("%lld\t%s\n", (long long)what.at, what.line);
  }
  bristle_happened_clear(run);
}

/* Each line at its own time, with a frame after it. */
static int play(host *h, char *rest) {
  char *line;
  while ((line = take_line(&rest))) {
    if (!take_step(h->run, line, hear)) {
      fprintf(stderr, "cannot be done: %s\n", line);
      return 1;
    }
    draw(h);
  }
  return 0;
}

static void live(host *h) {
  const Uint64 begun = SDL_GetTicks64();
  while (!bristle_ended(h->run)) {
    const int64_t now = (int64_t)(SDL_GetTicks64() - begun);
    if (!take_events(h, now)) return;
    bristle_step(h->run, now);
    hear(h->run);
    draw(h);
    SDL_RenderPresent(h->renderer);
  }
}

/* What is there long after all has come to rest. */
static int shoot(host *h, const char *path) {
  int w, ht, code;
  SDL_Surface *out;
  bristle_step(h->run, bristle_now(h->run) + 10 * FADE);
  draw(h);
  SDL_GetRendererOutputSize(h->renderer, &w, &ht);
  out = SDL_CreateRGBSurfaceWithFormat(0, w, ht, 32, SDL_PIXELFORMAT_ARGB8888);
  if (!out) return 1;
  SDL_RenderReadPixels(h->renderer, NULL, SDL_PIXELFORMAT_ARGB8888, out->pixels, out->pitch);
  code = SDL_SaveBMP(out, path);
  SDL_FreeSurface(out);
  return code != 0;
}

/* -- beginning and end ------------------------------------------------------------------------- */

int main(int count, char **arguments) {
  const char *take_file = NULL, *shot = NULL;
  char display_id[64] = "", screen[64] = "", why[300] = "", *bytes, *take = NULL, *rest = NULL;
  bristle_menu *menu = NULL;
  bristle_display display;
  bristle_language first;
  SDL_Window *window = NULL;
  host h;
  size_t size = 0, at;
  int i, code = 0;
  memset(&h, 0, sizeof h);
  if (count < 3) {
    fprintf(stderr, "host MENU SHEETS [--display ID] [--language ID] [--take FILE] [--shot FILE]\n");
    return 2;
  }
  for (i = 3; i + 1 < count; i += 2) {
    const char *value = arguments[i + 1];
    if (!strcmp(arguments[i], "--display")) snprintf(display_id, sizeof display_id, "%s", value);
    if (!strcmp(arguments[i], "--language")) snprintf(language, sizeof language, "%s", value);
    if (!strcmp(arguments[i], "--take")) take_file = value;
    if (!strcmp(arguments[i], "--shot")) shot = value;
  }
  bytes = read_all(arguments[1], &size);
  if (!bytes || bristle_open(bytes, size, &menu, why, sizeof why)) {
    fprintf(stderr, "%s: %s\n", arguments[1], bytes ? why : "cannot be read");
    return 2;
  }
  free(bytes);
  if (take_file && !(rest = take = read_all(take_file, &size))) return 2;
  taking = take != NULL;
  if (take) { /* its first line says where it begins */
    const char *line = take_line(&rest);
    if (line && !display_id[0]) take_text(line, "display", display_id, sizeof display_id);
    if (line && !language[0]) take_text(line, "language", language, sizeof language);
    if (line) take_text(line, "screen", screen, sizeof screen);
  }
  for (at = 0; !bristle_display_at(menu, at, &display); ++at)
    if (!display_id[0] || !strcmp(display.id, display_id)) break;
  if (!language[0] && !bristle_language_at(menu, 0, &first))
    snprintf(language, sizeof language, "%s", first.id);
  if (bristle_start(menu, display_id, language, screen, &h.run, why, sizeof why)) {
    fprintf(stderr, "%s\n", why);
    return 2;
  }
  SDL_SetHint(SDL_HINT_RENDER_SCALE_QUALITY, "linear");
  if (SDL_Init(SDL_INIT_VIDEO | SDL_INIT_GAMECONTROLLER) ||
      !(window = SDL_CreateWindow(bristle_menu_name(menu), SDL_WINDOWPOS_CENTERED,
                                  SDL_WINDOWPOS_CENTERED, (int)display.width, (int)display.height,
                                  0)) ||
      !(h.renderer = SDL_CreateRenderer(window, -1, take ? SDL_RENDERER_SOFTWARE
                                                         : SDL_RENDERER_PRESENTVSYNC))) {
    fprintf(stderr, "%s\n", SDL_GetError());
    return 3;
  }
  SDL_SetRenderDrawBlendMode(h.renderer, SDL_BLENDMODE_BLEND);
  h.scale = display.scale;
  h.width = display.width / display.scale, h.height = display.height / display.scale;
  h.pictures = sheets_open(h.renderer, arguments[2]);
  if (!h.pictures) return 2;
  if (!take) live(&h);
  if (take) code = play(&h, rest);
  if (!code && shot) code = shoot(&h, shot);
  sheets_close(h.pictures);
  bristle_stop(h.run);
  bristle_close(menu);
  free(take);
  SDL_Quit();
  return code;
}
