using AbleMend.Core.Gear;
using AbleMend.Core.Words;

namespace AbleMend.Core.Triage;

/// <summary>Who judges gear that is not mended here. Common practice, no source.</summary>
internal static class Judges
{
    /// <summary>Who knows a family of gear, inside a sentence.</summary>
    public static Message Of(GearFamily family) =>
        family switch
        {
            GearFamily.Boards => "a board builder",
            GearFamily.Hulls => "a boatbuilder",
            GearFamily.Skis => "a ski workshop with a press",
            GearFamily.Inflatables => "the maker's service, or a shop that rebuilds inflatables",
            GearFamily.TentsAndPoles => "the maker's service, or a sailmaker",
            GearFamily.WadersAndSuits => "the maker's service",
            GearFamily.Footwear => "a bootmaker",
            GearFamily.Paddles => "the maker, or a shop that lays up carbon",
            GearFamily.ForksDecksAndLimbs => "the maker, or a workshop for this part",
            _ => "the maker",
        };
}
