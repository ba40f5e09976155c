using AbleMend.Core.Figures;

namespace AbleMend.Core.Safety;

/// <summary>A vapour that goes into the room, evenly from one instant to another.</summary>
/// <param name="Solvent">Identifier of the solvent, one of <see cref="RoomAir.Limits"/>.</param>
/// <param name="Grams">How much, 0 or more.</param>
/// <param name="From">When it begins.</param>
/// <param name="To">When it has gone off, later than <paramref name="From"/>.</param>
public sealed record VapourRelease(string Solvent, double Grams, DateTimeOffset From, DateTimeOffset To);

/// <summary>The air at an instant.</summary>
/// <param name="At">When.</param>
/// <param name="ShareOfLimit">All vapours as shares of their 8-hour limits, added up; 1 is the limit.</param>
/// <param name="ShareOfFlammable">All vapours as shares of a tenth of their lower flammable limits, added up.</param>
public sealed record AirMoment(DateTimeOffset At, double ShareOfLimit, double ShareOfFlammable);

/// <summary>The air of a room over a day, as far as it can be estimated: close to the work it is far more.</summary>
/// <param name="Moments">From the first instant to the last, every few minutes.</param>
/// <param name="WorstMean">Highest mean over eight hours, of the limit.</param>
/// <param name="WorstMeanAt">When those eight hours end.</param>
/// <param name="Highest">Highest at any instant, of the limit.</param>
/// <param name="HighestAt">When that is.</param>
/// <param name="HighestFlammable">Highest at any instant, of a tenth of what burns.</param>
/// <param name="Now">At the present, of the limit.</param>
/// <param name="ClearAt">When it is clear again; null where it is clear now, or not by the end of the day.</param>
/// <param name="HoursInVapour">Hours until the present in which it was not clear: so long a cartridge has been in use.</param>
/// <param name="HoursInVapourToday">The same until the end of the day, as it is planned.</param>
public sealed record AirOfDay(
    IReadOnlyList<AirMoment> Moments, double WorstMean, DateTimeOffset WorstMeanAt, double Highest, DateTimeOffset HighestAt, double HighestFlammable, double Now, DateTimeOffset? ClearAt,
    double HoursInVapour, double HoursInVapourToday)
{
    /// <summary>Below this share of the limit the air counts as clear. From memory.</summary>
    public const double ClearBelow = 0.1;

    /// <summary>Hours that a cartridge for organic vapours serves before it is changed, where nothing tells its end. From memory: a shift at most, and at once when anything is smelt.</summary>
    public const double CartridgeHours = 8;

    private const int StepMin = 5;

    private const double MeanHours = 8;

    /// <summary>The citation.</summary>
    public static Source Source { get; } =
        Source.Published("Well-mixed room (one-box model of industrial hygiene), dC/dt = S/V − n·C; effects of several vapours added up, ΣC/L (mixture formula of the ACGIH, from memory). An estimate: local limits and the safety sheet decide");

    /// <summary>Lays releases over a day.</summary>
    /// <param name="releases">What goes into the air, and when.</param>
    /// <param name="roomM3">Room in m³, above 0.</param>
    /// <param name="airChangesPerHour">Air changes an hour, above 0.</param>
    /// <param name="from">Begin of the day.</param>
    /// <param name="to">Its end, later than <paramref name="from"/>.</param>
    /// <param name="now">The present.</param>
    public static AirOfDay Of(IReadOnlyList<VapourRelease> releases, double roomM3, double airChangesPerHour, DateTimeOffset from, DateTimeOffset to, DateTimeOffset now)
    {
        Guard.Positive(roomM3, nameof(roomM3));
        Guard.Positive(airChangesPerHour, nameof(airChangesPerHour));
        var moments = Lay(releases, roomM3, airChangesPerHour, from, to);
        var means = Means(moments);
        var worst = means.Index().MaxBy(each => each.Item);
        var highest = moments.MaxBy(each => each.ShareOfLimit)!;
        var present = moments.LastOrDefault(each => each.At <= now)?.ShareOfLimit ?? 0;
        var ahead = moments.Where(each => each.At > now).ToList();
        return new AirOfDay(
            moments, worst.Item, moments[worst.Index].At, highest.ShareOfLimit, highest.At, moments.Max(each => each.ShareOfFlammable), present,
            present < ClearBelow ? null : ahead.FirstOrDefault(each => each.ShareOfLimit < ClearBelow)?.At,
            HoursIn(moments.Where(each => each.At <= now)), HoursIn(moments));
    }

    private static double HoursIn(IEnumerable<AirMoment> moments) => moments.Count(each => each.ShareOfLimit >= ClearBelow) * StepMin / 60.0;

    /// <summary>Each vapour by itself, exactly over every step: it falls with the air changes and rises by what goes off meanwhile.</summary>
    private static List<AirMoment> Lay(IReadOnlyList<VapourRelease> releases, double roomM3, double changes, DateTimeOffset from, DateTimeOffset to)
    {
        var ppm = releases.Select(release => release.Solvent).Distinct().ToDictionary(solvent => solvent, _ => 0.0);
        const double Hours = StepMin / 60.0;
        var (stays, rises) = (Math.Exp(-changes * Hours), (1 - Math.Exp(-changes * Hours)) / (changes * Hours));
        var moments = new List<AirMoment> { new(from, 0, 0) };
        for (var at = from; at < to; at = at.AddMinutes(StepMin))
        {
            var until = at.AddMinutes(StepMin);
            foreach (var solvent in ppm.Keys)
            {
                var limit = RoomAir.Limits[solvent];
                var grams = releases.Where(release => release.Solvent == solvent).Sum(release => Within(release, at, until));
                ppm[solvent] = (ppm[solvent] * stays) + (RoomAir.Ppm(grams * 1000 / roomM3, limit.MolarMassGPerMol) * rises);
            }

            moments.Add(new AirMoment(until, ppm.Sum(each => each.Value / RoomAir.Limits[each.Key].LimitPpm), ppm.Sum(each => each.Value / (RoomAir.Limits[each.Key].LowerFlammablePercent * 1e4 / 10))));
        }

        return moments;
    }

    private static double Within(VapourRelease release, DateTimeOffset from, DateTimeOffset to)
    {
        var (first, last) = (release.From > from ? release.From : from, release.To < to ? release.To : to);
        return last <= first ? 0 : Guard.NotNegative(release.Grams, nameof(release.Grams)) * ((last - first) / (release.To - release.From));
    }

    /// <summary>The mean of the eight hours before each moment; what lies before the day counts as clear.</summary>
    private static List<double> Means(List<AirMoment> moments)
    {
        const int Window = (int)(MeanHours * 60 / StepMin);
        var means = new List<double>(moments.Count);
        var sum = 0.0;
        for (var i = 0; i < moments.Count; i++)
        {
            sum += moments[i].ShareOfLimit - (i >= Window ? moments[i - Window].ShareOfLimit : 0);
            means.Add(sum / Window);
        }

        return means;
    }
}
