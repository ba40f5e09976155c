namespace AbleMend.Core.Finishing;

/// <summary>One rung of sanding.</summary>
/// <param name="Grit">Grit to use.</param>
/// <param name="Wet">Whether it is used wet.</param>
/// <param name="Minutes">Working time in minutes for the area.</param>
public sealed record Rung(Grit Grit, bool Wet, double Minutes);

/// <summary>A ladder, or the gap in the drawer that breaks it.</summary>
/// <param name="Rungs">Rungs, coarse to fine; empty when there is a gap.</param>
/// <param name="GapAfter">Grit after which nothing in the drawer is near enough.</param>
/// <param name="GapNeedsUm">Particle size in micrometres that would close the gap, at least.</param>
public sealed record LadderResult(IReadOnlyList<Rung> Rungs, Grit? GapAfter, double? GapNeedsUm);

/// <summary>Sanding from the coarsest grit needed to the finish wanted, with the grits in the drawer.</summary>
public static class GritLadder
{
    /// <summary>Largest ratio of particle sizes from one rung to the next. Common practice: about one half finer each time.</summary>
    public const double LargestJump = 2.0;

    /// <summary>Depth of scratch that a grit leaves, as a share of its median particle. From memory.</summary>
    public const double ScratchShare = 0.5;

    /// <summary>Removal in micrometres a minute over 1 dm² for each micrometre of particle, by hand on a block. From memory.</summary>
    public const double RemovalPerMinutePerUm = 0.35;

    /// <summary>Builds a ladder with the fewest rungs: from each rung, the finest grit within the largest jump.</summary>
    /// <param name="drawer">Grits at hand.</param>
    /// <param name="first">Coarsest grit, the first rung; it must be in the drawer.</param>
    /// <param name="last">Finest grit used dry; it must be in the drawer.</param>
    /// <param name="areaCm2">Area in cm², above 0.</param>
    public static LadderResult Climb(IReadOnlyList<Grit> drawer, Grit first, Grit last, double areaCm2)
    {
        Guard.Positive(areaCm2, nameof(areaCm2));
        var rungs = new List<Rung> { new(first, false, Minutes(null, first, areaCm2)) };
        var current = first;
        while (current.MedianUm > last.MedianUm)
        {
            var next = drawer
                .Where(grit => grit.MedianUm < current.MedianUm && grit.MedianUm >= last.MedianUm)
                .Where(grit => current.MedianUm / grit.MedianUm <= LargestJump)
                .MinBy(grit => grit.MedianUm);
            if (next is null)
            {
                return new LadderResult([], current, current.MedianUm / LargestJump);
            }

            rungs.Add(new Rung(next, false, Minutes(current, next, areaCm2)));
            current = next;
        }

        return new LadderResult(rungs, null, null);
    }

    /// <summary>Minutes for a rung: its share of the scratch left by the grit before it, at the rate of this one; at least one.</summary>
    public static double Minutes(Grit? before, Grit grit, double areaCm2)
    {
        var scratchUm = ScratchShare * (before ?? grit).MedianUm;
        var perMinute = RemovalPerMinutePerUm * grit.MedianUm / (areaCm2 / 100);
        return Math.Max(1, scratchUm / perMinute);
    }
}
