using AbleMend.Core.Instruments;
using AbleMend.Core.Preparing;

namespace AbleMend.Core.Tests.Instruments;

/// <summary>Whether something sweats, by what instruments read. Dew points by the Magnus formula: 20 °C at 60 % is 12.0 °C.</summary>
public class SweatingTests
{
    private static Sweating? Of(double? airC, double? humidity, double? surfaceC) =>
        Sweating.Of(what => what switch { Measurand.AirTemperature => airC, Measurand.Humidity => humidity, Measurand.SurfaceTemperature => surfaceC, _ => null });

    [Theory]
    [InlineData(20, 60, 15.2, true)]
    [InlineData(20, 60, 14.8, false)]
    [InlineData(20, 60, 8.0, false)]
    [InlineData(20, 95, 20.0, false)]
    public void The_surface_decides_and_not_the_air(double airC, double humidity, double surfaceC, bool isDry)
    {
        var sweating = Of(airC, humidity, surfaceC).ShouldNotBeNull();
        sweating.IsDry.ShouldBe(isDry);
        sweating.IsAir.ShouldBeFalse();
        sweating.ApartK.ShouldBe(surfaceC - DewPoint.Celsius(airC, humidity), 1e-9);
    }

    [Fact]
    public void Where_nobody_measures_the_surface_the_air_stands_for_it()
    {
        var sweating = Of(20, 60, null).ShouldNotBeNull();
        (sweating.IsAir, sweating.SurfaceC, sweating.IsDry).ShouldBe((true, 20, true));
        sweating.DewPointC.ShouldBe(12.0, 0.05);
        sweating.LeastSurfaceC.ShouldBe(15.0, 0.05);
    }

    [Theory]
    [InlineData(null, 60.0)]
    [InlineData(20.0, null)]
    [InlineData(20.0, 0.0)]
    [InlineData(20.0, 130.0)]
    [InlineData(400.0, 60.0)]
    public void What_is_no_weather_says_nothing(double? airC, double? humidity) => Of(airC, humidity, 10).ShouldBeNull();
}
