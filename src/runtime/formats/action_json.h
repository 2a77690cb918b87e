// Actions, and how screens come and go, in files.
#pragma once
#include "runtime/document/action.h"
#include "runtime/formats/json_reader.h"

namespace bristle {

Json toJson(const Actions& actions);
// The member “actions”, or “action” as it was written before there could be several.
Actions readActions(JsonReader& r, const Json& value, const JsonPlace& at);

// Only where it is not the usual one.
void writeMotion(Json& out, const char* key, const ScreenMotion& motion);
ScreenMotion readMotion(JsonReader& r, const Json& value, const JsonPlace& at, const char* key);

}  // namespace bristle
