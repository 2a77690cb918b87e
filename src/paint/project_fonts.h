// Fonts that a project carries along: OpenType and TrueType files in its folder `fonts`.
#pragma once
#include <QString>
#include <QStringList>

namespace bristle {

// Their names with the folder, "fonts/NAME.otf", in order; none where there is no such folder.
QStringList fontFilesOf(const QString& folder);

// From now on those of that folder are there, for all that is drawn and measured, and those of the
// folder before no longer. Gives the files that could not be read. Needs a QGuiApplication; on the
// main thread.
QStringList useFontsOf(const QString& folder);

}  // namespace bristle
