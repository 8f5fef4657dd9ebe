"""Reads fonts with fontTools and prints what they say of themselves as JSON. Called by fonttools.test.ts with font files as arguments."""
import json
import sys

from fontTools.pens.boundsPen import BoundsPen
from fontTools.ttLib import TTFont


def top_of(font, character):
    """Highest point of a character's outline where the axes rest, in font units; None when the font lacks it."""
    name = font.getBestCmap().get(ord(character))
    if name is None:
        return None
    pen = BoundsPen(font.getGlyphSet())
    font.getGlyphSet()[name].draw(pen)
    return pen.bounds[3] if pen.bounds else None


found = {}
for path in sys.argv[1:]:
    font = TTFont(path, lazy=True)
    names = font["name"]
    features = set()
    for tag in ("GSUB", "GPOS"):
        if tag in font and font[tag].table.FeatureList:
            features.update(record.FeatureTag for record in font[tag].table.FeatureList.FeatureRecord)
    os2 = font["OS/2"]
    found[path] = {
        "name": (names.getDebugName(16) or names.getDebugName(1)),
        "unitsPerEm": font["head"].unitsPerEm,
        "hhea": [font["hhea"].ascent, font["hhea"].descent],
        "typo": [os2.sTypoAscender, os2.sTypoDescender],
        "useTypo": bool(os2.fsSelection & 128),
        "xHeight": getattr(os2, "sxHeight", 0),
        "capHeight": getattr(os2, "sCapHeight", 0),
        "xTop": top_of(font, "x"),
        "hTop": top_of(font, "H"),
        "italicAngle": font["post"].italicAngle,
        "axes": [[axis.axisTag, axis.minValue, axis.defaultValue, axis.maxValue] for axis in font["fvar"].axes] if "fvar" in font else [],
        "features": sorted(features),
        "characters": sorted(font.getBestCmap().keys()),
        "fsType": os2.fsType,
    }
print(json.dumps(found))
